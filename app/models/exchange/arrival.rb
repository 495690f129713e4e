# Files that somebody brought in, read and waiting to be looked at. Only who brought them sees them.
class Arrival < ApplicationRecord
  include PubliclyIdentified

  MOST_FILES = 50
  LARGEST = 50.megabytes
  KEPT = 1.day

  # A file that was brought in, with the bytes it had, to be taken as a page's own.
  Upload = Struct.new(:original_filename, :bytes) do
    alias_method :read, :bytes

    def size
      bytes.bytesize
    end
  end

  # One text: its +key+ is the public id that its page will have.
  Text = Struct.new(:key, :name, :title, :document, :reports, :pictures, :problem, keyword_init: true) do
    def words
      Zuhause::Document::Text.words(document)
    end
  end

  belongs_to :person
  has_many_attached :pictures

  scope :stale, -> { where(created_at: ...KEPT.ago) }

  # @param uploads [Array<ActionDispatch::Http::UploadedFile>]
  # @param to_targets [#call] turns addresses of this house in a text into targets
  # @param into_draft [Boolean] whether they are for a page that is there
  # @return [Arrival]
  def self.receive(uploads, by:, to_targets: ->(text) { text }, into_draft: false)
    pictures, texts = uploads.partition { |upload| Marcel::MimeType.for(name: upload.original_filename).start_with?("image/") }
    reading = ArrivedTexts.new(texts, pictures, to_targets, into_draft: into_draft)
    read = reading.read
    transaction do
      create!(person: by, texts: read.map(&:to_h), created_at: Time.current).tap { |arrival| reading.kept.each { |id, upload| arrival.keep(id, upload) } }
    end
  end

  # @return [Array<Text>]
  def read
    @read ||= texts.map { |text| Text.new(**text.symbolize_keys) }
  end

  # @param id [String] by which documents name the picture
  def keep(id, upload)
    blob = ActiveStorage::Blob.create_and_upload!(io: StringIO.new(upload.bytes), filename: upload.original_filename, identify: false, metadata: { "id" => id })
    pictures.attach(blob)
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
