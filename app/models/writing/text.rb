require "zlib"

# A document of a page, kept once however many drafts and editions hold it: by its digest, compressed. Drafts and editions
# are loaded without their documents; whoever needs one asks it of its text.
class Text < ApplicationRecord
  self.primary_key = %i[page_id digest]

  DIGITS = 32 # of a SHA-256 digest: 128 bits

  belongs_to :page

  # @param json [String] a document in normal form
  # @return [String]
  def self.digest_of(json)
    Digest::SHA256.hexdigest(json)[0, DIGITS]
  end

  # @return [String] bytes
  def self.compress(json)
    Zlib.deflate(json)
  end

  # @param page_id [Integer]
  # @param state [State] whose text is to be kept
  def self.keep(page_id, state)
    insert({ page_id: page_id, digest: state.digest, body: state.body }) unless exists?(page_id: page_id, digest: state.digest)
  end

  # Lets go of what no draft and no edition of the page holds any more.
  def self.prune(page)
    held = [ Draft, Edition ].map { |holder| holder.where(page: page).select(:digest) }
    held.inject(where(page: page)) { |texts, digests| texts.where.not(digest: digests) }.delete_all
  end

  # @return [Hash]
  def document
    @document ||= JSON.parse(Zlib.inflate(body))
  end
end
