# Files that somebody brought in: read, looked at and changed by whoever did, and then made pages. Only who brought them sees them.
class Arrival < ApplicationRecord
  include PubliclyIdentified, Storing, Settling, Arranged, Made

  MOST_FILES = 50 # in one form
  LARGEST = 50.megabytes # of one file, and of all in one form
  MOST = 10_000 # files in all
  KEPT = 7.days # for somebody to look at
  SOON = 50 # files, which are forgotten at once
  AT_ONCE = 5 # pages, which are made while one waits
  UNDONE = 30.days # within these all that was made can be taken back
  BOOK = /\.epub\z/i
  PACKED = /\.(?:zip|epub)\z/i

  # +message+ says why: "many" or "large".
  class Full < StandardError; end

  belongs_to :person
  belongs_to :work, optional: true
  belongs_to :before, class_name: "Arrival", optional: true
  has_many :files, class_name: "ArrivedFile", dependent: :destroy
  has_many_attached :pictures

  scope :stale, -> { where(made_at: nil, created_at: ...KEPT.ago) }
  scope :standing, -> { where(created_at: KEPT.ago..).or(where.not(made_at: nil)) }
  scope :newest_first, -> { order(id: :desc) }

  # @return [Integer] bytes that a house lets in at once
  def self.largest_whole
    House.current.arrival_megabytes.megabytes
  end

  # Keeps files as they came; a piece of long work reads them.
  #
  # @param uploads [Array<ActionDispatch::Http::UploadedFile>]
  # @param address [String] of this house, by which its pages are linked to
  # @param page [Page, nil] into whose draft they are to be put
  # @param above [String, nil] the place that was chosen for the pages they become
  # @return [Arrival]
  def self.receive(uploads, by:, address:, page: nil, above: nil)
    arrival = create!(person: by, created_at: Time.current)
    arrival.keep(uploads.map { |upload| [ upload.original_filename, upload.open ] }, unpack: (:all if page.nil?))
    arrival.tap { arrival.begin_reading(address: address, page: page, above: above) }
  end

  # @return [Work]
  def begin_reading(address:, page: nil, above: nil)
    Work.start(:bringing_in, page: page, by: person, total: files.texts.count, address: address, into_draft: page.present?, above: above) { |work| update!(work: work) }
  end

  # @return [ArrivalLosses]
  def losses
    ArrivalLosses.new(self)
  end

  # Is to be read once more.
  #
  # @param back [Array<String>] numbers of what had been left out of every page and is to come along
  def read_again(back:)
    update!(repeated: repeated.each_with_index.map { |part, i| back.include?(i.to_s) ? part.merge("back" => true) : part })
    update!(before: nil)
    files.where.not(part_of_id: nil).destroy_all
    files.where.not(known_page_id: nil).update_all(known_page_id: nil, page_id: nil, same: false, left_out: false)
    files.texts.update_all(reading: nil, problem: nil)
  end

  # Begins to make pages of what is not left out.
  #
  # @param to [Room, Page]
  # @param clashes [Hash] what is to become of pages that are there already, see ArrivalClashes#decide
  # @return [Work]
  def move_in(to, by:, publish:, clashes: { all: "both" })
    raise Work::Impossible, "gone" if made_at || work&.open?

    ArrivalClashes.new(self, to).decide(**clashes)
    raise Work::Impossible, "gone" if in_order.empty?

    Work.start(:moving_in, page: (to if to.is_a?(Page)), by: by, total: in_order.size, at_once: in_order.size <= AT_ONCE, to: "#{to.class.name.downcase}:#{to.public_id}", publish: publish) { |work| update!(work: work) }
  end

  # @return [ComingAgain, nil]
  def again
    @again ||= ComingAgain.new(self) if before
  end

  # Whoever brought it has thought better of it. Nobody meets it any more; what is much goes by and by.
  def drop
    update_columns(created_at: KEPT.ago - 1.minute)
    files.count > SOON ? ForgetArrivalsJob.perform_later : forget
  end

  # Nothing of it stays.
  def forget
    files.in_batches(of: SOON) { |some| transaction { some.each(&:destroy!) } }
    destroy!
  end

  # Puts a text into a draft.
  #
  # @param replace [Boolean] in place of what stands there; else behind it
  # @raise [Zuhause::Document::Invalid] if the page cannot hold it
  def put_into(page, by:, replace:)
    file = files.texts.find_by(problem: nil) or return
    before = replace ? [] : page.draft.document["content"]
    before = [] if before == [ before.first ] && before.first["content"].nil?
    brought = files.where(path: file.shown.values.compact).with_attached_original.index_by(&:path).transform_values { |picture| Upload.new(picture.name, path: picture.lying) }
    within = pictures_within(file.shown.keys)
    stored = file.shown.filter_map { |id, path| (within[id] || brought[path])&.then { |upload| PageFile.prepare(upload, by: by, public_id: id) } }
    transaction do
      stored.each { |picture| picture.keep_on(page) }
      page.save_draft(State.new(title: page.draft.title, document: file.document.merge("content" => before + file.document["content"])), base_version: page.draft.version, by: by)
      Happening.write(:brought_in, page, by: by)
      destroy!
    end
  end
end
