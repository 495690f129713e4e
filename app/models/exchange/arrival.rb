# Files that somebody brought in, read and waiting to be looked at. Only who brought them sees them.
class Arrival < ApplicationRecord
  include PubliclyIdentified

  MOST_FILES = 50
  LARGEST = 50.megabytes
  KEPT = 1.day

  belongs_to :person
  belongs_to :work, optional: true
  has_many_attached :originals
  has_many_attached :pictures

  scope :stale, -> { where(created_at: ...KEPT.ago) }

  # Keeps files as they came; a piece of long work reads them.
  #
  # @param uploads [Array<ActionDispatch::Http::UploadedFile>]
  # @param address [String] of this house, by which its pages are linked to
  # @param page [Page, nil] into whose draft they are to be put
  # @param above [String, nil] the place that was chosen for the pages they become
  # @return [Arrival]
  def self.receive(uploads, by:, address:, page: nil, above: nil)
    blobs = uploads.map { |upload| store(upload.original_filename, upload.open, picture?(upload) ? {} : { "key" => PubliclyIdentified.generate }) }
    transaction do
      arrival = create!(person: by, created_at: Time.current).tap { |made| made.originals.attach(blobs) }
      total = blobs.count { |blob| blob.metadata["key"] }
      Work.start(:bringing_in, page: page, by: by, total: total, address: address, into_draft: page.present?, above: above) { |work| arrival.update!(work: work) }
      arrival
    end
  end

  def self.picture?(upload)
    Marcel::MimeType.for(name: upload.original_filename).start_with?("image/")
  end

  def self.store(name, io, metadata)
    ActiveStorage::Blob.create_and_upload!(io: io, filename: name, identify: false, metadata: metadata)
  end
  private_class_method :picture?

  # @return [Hash{String=>Upload}] the texts that came, as they lie on the disk, by their keys
  def brought_texts
    lying.filter_map { |key, upload| [ key, upload ] if key }.to_h
  end

  # @return [Array<Upload>] likewise
  def brought_pictures
    lying.filter_map { |key, upload| upload unless key }
  end

  # @param text [ArrivedText]
  # @param kept [Hash{String=>Upload}] pictures that it shows, by the ids that stand in it
  def add(text, kept)
    text.document &&= Zuhause::Document.accept(text.document).doc
    blobs = kept.map { |id, upload| self.class.store(upload.original_filename, StringIO.new(upload.bytes), { "id" => id }) }
    transaction do
      pictures.attach(blobs) if blobs.any?
      update!(texts: texts + [ text.to_h ])
    end
    @read = nil
  end

  # @return [Array<ArrivedText>]
  def read
    @read ||= texts.map { |text| ArrivedText.new(**text.symbolize_keys) }
  end

  # Makes pages of them, in their order.
  #
  # @param titles [Hash{String=>String}] by key; texts that are not in it are left out
  # @return [Array<Page>]
  # @raise [ActiveRecord::RecordInvalid] for a title that will not do; nothing is made then
  def make_pages(titles, above:, by:)
    chosen = read.select { |text| text.problem.nil? && titles.key?(text.key) }
    files = chosen.to_h { |text| [ text, files_of(text, by) ] }
    transaction do
      pages = chosen.map do |text|
        page = Page.begin(title: titles.fetch(text.key), above: above, by: by, public_id: text.key)
        raise ActiveRecord::RecordInvalid, page unless page.persisted?

        page
      end
      chosen.zip(pages) { |text, page| write(page, text.document, files.fetch(text), by) }
      Happening.write(:brought_in, above, by: by, pages: pages.size)
      destroy!
      pages
    end
  end

  # Puts a text into a draft.
  #
  # @param replace [Boolean] in place of what stands there; else behind it
  # @raise [Zuhause::Document::Invalid] if the page cannot hold it
  def put_into(page, by:, replace:)
    text = read.find { |each| each.problem.nil? } or return
    before = replace ? [] : page.draft.document["content"]
    before = [] if before == [ before.first ] && before.first["content"].nil?
    files = files_of(text, by)
    transaction do
      write(page, text.document.merge("content" => before + text.document["content"]), files, by)
      Happening.write(:brought_in, page, by: by)
      destroy!
    end
  end

  private

  # @return [Array(String, Upload)] with the keys of those that are texts
  def lying
    originals.includes(:blob).order(:id).map { |file| [ file.blob.metadata["key"], Upload.new(file.filename.to_s, path: file.blob.service.path_for(file.blob.key)) ] }
  end

  # Looked at and stored before anything is written to the database.
  def files_of(text, by)
    pictures.includes(:blob).select { |picture| text.pictures.include?(picture.blob.metadata["id"]) }.map do |picture|
      PageFile.prepare(Upload.new(picture.filename.to_s, picture.download), by: by, public_id: picture.blob.metadata["id"])
    end
  end

  def write(page, document, files, by)
    files.each { |file| file.keep_on(page) }
    page.save_draft(State.new(title: page.draft.title, document: document), base_version: page.draft.version, by: by)
  end
end
