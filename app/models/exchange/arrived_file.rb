require "zlib"

# A file or a folder that somebody brought in. Texts, and folders that no text stands for, become pages: they have the key that the
# page will have, and a place among the others. The rest goes with the pages that show it or lead to it.
class ArrivedFile < ApplicationRecord
  KINDS = %w[text picture other packed folder].freeze
  SHOWN = 200_000 # bytes, of a text as it came

  belongs_to :arrival
  belongs_to :part_of, class_name: "ArrivedFile", optional: true
  belongs_to :above, class_name: "ArrivedFile", optional: true
  belongs_to :page, optional: true
  belongs_to :known_page, class_name: "Page", optional: true
  has_one_attached :original

  validates :kind, inclusion: { in: KINDS }
  normalizes :title, with: ->(title) { Zuhause::Document::Title.clean(title) }

  scope :texts, -> { where(kind: "text") }
  scope :places, -> { where(kind: %w[text folder]) }
  scope :to_be_made, -> { places.where(problem: nil, left_out: false) }
  scope :light, -> { select(column_names - %w[survey reading anchors]) }

  # @return [String] of a file of such a name
  def self.kind_of(path)
    return "text" if ArrivedTexts::READERS.key?(File.extname(path).downcase)

    Marcel::MimeType.for(name: path).start_with?("image/") ? "picture" : "other"
  end

  def name
    File.basename(path)
  end

  # @return [String] where its bytes lie
  def lying
    original.service.path_for(original.blob.key)
  end

  # @return [Array(String, Boolean), nil] its text as it came, and whether that is all of it; nil if it cannot be shown as text
  def original_text
    return if part_of_id || ArrivedTexts::READERS[File.extname(path).downcase] == :office

    bytes = File.binread(lying, SHOWN).to_s
    text = Upload.text(bytes).scrub("").delete("\u0000")
    [ text[(text =~ /<body\b/i || 0)..], original.blob.byte_size <= SHOWN ] # what stands before the body is for programs
  end

  # @return [Hash, nil]
  def survey_told
    survey && JSON.parse(Zlib.inflate(survey))
  end

  # @param text [ArrivedText]
  # @return [Hash] values of the columns that hold what was read
  def self.read(text)
    text.document &&= Zuhause::Document.accept(text.document).doc
  rescue Zuhause::Document::Invalid
    held_by(ArrivedText.new(key: text.key, path: text.path, title: text.title, problem: "too_much"))
  else
    held_by(text)
  end

  def self.held_by(text)
    held = text.to_h.slice(:document, :reports, :pictures, :links, :language, :head)
    { reading: binary(held), anchors: binary(text.anchors || {}), title: text.title && Zuhause::Document::Title.clean(text.title), problem: text.problem,
      words: text.document ? Zuhause::Document::Text.words(text.document) : 0, losses: text.reports.to_a.size, pictures: text.pictures.to_h.size }
  end

  private_class_method :held_by

  # Compressed, as columns hold it.
  def self.binary(held)
    ActiveModel::Type::Binary.new.serialize(Zlib.deflate(JSON.generate(held)))
  end

  # Gives it another title; what the text began with, and was taken for its title, is a heading of the text again.
  #
  # @param title [String]
  def retitle(title)
    title, before = Zuhause::Document::Title.clean(title).first(Zuhause::Document::Title::LENGTH.end), self.title.to_s
    return update_columns(title: title) if document["content"].empty? || title.downcase.include?(before.downcase)

    heading = { "type" => "heading", "content" => [ { "type" => "text", "text" => before } ] }
    whole = Zuhause::Document.accept(document.merge("content" => [ heading, *document["content"] ])).doc
    update_columns(title: title, reading: self.class.binary(held.merge("document" => whole)), words: Zuhause::Document::Text.words(whole))
  rescue Zuhause::Document::Invalid
    update_columns(title: title)
  end

  # @return [Hash{String=>String}] ids of blocks by the names that links lead to
  def places
    anchors ? JSON.parse(Zlib.inflate(anchors)) : {}
  end

  # @return [Hash] document, reports, pictures and links, as of {ArrivedText}
  def held
    @held ||= reading ? JSON.parse(Zlib.inflate(reading)) : {}
  end

  def document
    held["document"] || Zuhause::Document.empty
  end

  # @return [String, nil] of those that a page can be in
  def language
    (has_attribute?(:reading) ? self : ArrivedFile.find(id)).held["language"].to_s.downcase[/\A[a-z]+/].presence_in(Page::Looks::LANGUAGES.keys)
  end

  # @return [Array<Hash>] what could not be kept while it was read
  def reports
    held["reports"] || []
  end

  # @return [Hash{String=>String|nil}] paths of the pictures that it shows, by the ids that stand in it
  def shown
    held["pictures"] || {}
  end
end
