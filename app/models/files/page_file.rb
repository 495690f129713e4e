# A file that a page shows. It opens to who sees the edition that shows it, or may write the draft that does.
class PageFile < ApplicationRecord
  include PubliclyIdentified

  WIDTHS = [ 480, 960, 1600 ].freeze # of the smaller versions of pictures, in pixels
  ICON_WIDTH = 96
  SHEETS_SHOWN = 60 # pages of a PDF

  after_destroy { Reference.let_go("look", :file, public_id) }

  belongs_to :page
  belongs_to :author, class_name: "Person"
  has_one_attached :content
  has_many_attached :sheet_pictures

  normalizes :name, with: ->(name) { Zuhause::Document::Title.clean(File.basename(name.to_s.tr("\\", "/"))).last(150) }

  # @param upload [#read, #size, #original_filename]
  # @return [PageFile]
  # @raise [FileFit::Unfit]
  def self.take(upload, page:, by:)
    prepare(upload, by: by).keep_on(page)
  end

  # Looks at an upload and stores its bytes; the row follows with {#keep_on}.
  #
  # @param public_id [String, nil] a new one if none is given
  # @raise [FileFit::Unfit]
  def self.prepare(upload, by:, public_id: nil)
    fit = FileFit.of(upload)
    file = new(author: by, name: upload.original_filename, kind: fit.kind, width: fit.width, height: fit.height, public_id: public_id)
    file.store(fit.bytes, fit.type)
    file.sheets = SheetPictures.count(fit.bytes) if fit.kind == "pdf" && !file.known_not_to_be_drawn?
    file
  end

  # @return [Boolean] whether a file of such content and name can be kept at all
  def self.takes?(bytes, name)
    FileFit::KINDS.key?(Marcel::MimeType.for(StringIO.new(bytes), name: name))
  end

  # What stands in an edition is open from then on to whoever may see that edition, however old it grows.
  def self.follow_edition(page, edition)
    ids = Zuhause::Document::Walk.blocks(edition.document).filter_map { |block| block.dig("attrs", "file") }
    where(page: page, public_id: ids).update_all(published: true) if ids.any?
  end

  def self.follow_founding(founded)
    founded.each { |each| follow_edition(each.page, each.edition) if each.edition }
  end

  # Files of a page that no edition standing shows are its writers' alone again.
  def self.close_unshown(page)
    shown = page.editions.standing.includes(:text).find_each.flat_map { |edition| Zuhause::Document::Walk.blocks(edition.document).filter_map { |block| block.dig("attrs", "file") } }
    where(page: page, published: true).where.not(public_id: shown).update_all(published: false)
  end

  # The rows of files as one page may show them: what belongs to another page is given a row of this one's, if whoever
  # writes may see it there.
  #
  # @return [Hash{String=>String}] the new public ids by the old ones
  def self.adopt(public_ids, page:, by:)
    viewer = Viewer.new(by)
    where(public_id: public_ids).where.not(page: page).includes(:page, content_attachment: :blob).select { |file| file.open_to?(viewer) }.to_h do |file|
      own = where(page: page).joins(:content_attachment).find_by(active_storage_attachments: { blob_id: file.content.blob.id })
      own ||= create!(file.attributes.slice("name", "kind", "width", "height", "sheets").merge(page: page, author: by)).tap { |row| row.adopted(file.content.blob) }
      [ file.public_id, own.public_id ]
    end
  end

  # The same bytes belong to its page as well.
  def adopted(blob)
    content.attach(blob)
    Happening.write(:file_added, page, by: author, file: public_id, name: name)
  end

  # @param viewer [Viewer]
  def open_to?(viewer)
    return published? && Page.joined_read_by(viewer).exists?(page_id) if page.binned?

    sight = viewer.sight_of(page)
    return false if sight == :nothing

    sight == :draft || published? || page.cover_id == id || Page::Looks.file_of(page.icon) == public_id
  end

  # @param width [Integer, nil] of a smaller version; nil for the file as it came
  # @return [ActiveStorage::Blob]
  def version(width)
    return content.blob unless kind == "picture" && [ ICON_WIDTH, *WIDTHS ].include?(width) && self.width.to_i > width && content.content_type != "image/gif"

    content.variant(resize_to_limit: [ width, nil ]).processed.image.blob
  end

  # A PDF's page as a picture, made when it is first asked for. One that cannot be drawn, or takes too long, is not tried
  # again: the file stands there to be taken away from then on, wherever its bytes are shown.
  #
  # @param number [Integer] from 1
  # @return [ActiveStorage::Blob, nil]
  # @raise [SheetPictures::Busy]
  def sheet(number)
    return unless sheets && number.between?(1, [ sheets, SHEETS_SHOWN ].min)

    name = "sheet-#{number}.webp"
    known = sheet_pictures.includes(:blob).find { |picture| picture.filename.to_s == name }
    return known.blob if known

    picture = SheetPictures.draw(content.download, number) or return not_to_be_drawn
    blob = ActiveStorage::Blob.create_and_upload!(io: StringIO.new(picture), filename: name, content_type: "image/webp", identify: false)
    sheet_pictures.attach(blob)
    blob
  end

  # @return [Boolean] whether the same bytes could not be drawn, or read, before
  def known_not_to_be_drawn?
    with_same_bytes(@stored).exists?(sheets: nil)
  end

  def not_to_be_drawn
    with_same_bytes(content.blob).update_all(sheets: nil)
    nil
  end
  private :not_to_be_drawn

  def with_same_bytes(blob)
    PageFile.where(id: ActiveStorage::Attachment.where(record_type: "PageFile", name: "content", blob_id: blob.id).select(:record_id))
  end
  private :with_same_bytes

  # Shown where it stands, not only to be taken away.
  def shown?
    kind != "other"
  end

  # The same content is stored once, whatever it is called. Bytes lie on the disk before any row tells of them; what is known
  # of and is not whole there is written again, for all whose it is.
  def store(bytes, type)
    blob = ActiveStorage::Blob.find_by(checksum: OpenSSL::Digest::MD5.base64digest(bytes), byte_size: bytes.bytesize, content_type: type)
    blob ||= ActiveStorage::Blob.build_after_unfurling(io: StringIO.new(bytes), filename: name, content_type: type, identify: false)
    blob.upload_without_unfurling(StringIO.new(bytes)) unless blob.persisted? && blob.service.whole?(blob.key, blob.checksum)
    blob.save! if blob.new_record? # saving what is there touches all whose it is
    @stored = blob
  end

  # Many at once on pages that nobody has seen yet, in a few statements; nobody is told of them.
  #
  # @param on [Hash{PageFile=>Page}]
  def self.keep_all(on, at: Time.current)
    return if on.empty?

    numbers(on.size).zip(on) { |number, (file, page)| file.assign_attributes(id: number, page: page, created_at: at) }
    on.each_key(&:validate!)
    insert_all!(on.each_key.map(&:attributes))
    ActiveStorage::Attachment.insert_all!(on.each_key.map { |file| file.lying_in.merge(created_at: at) })
  end

  # @return [Hash] what tells of the bytes that are stored
  def lying_in
    { name: "content", record_type: PageFile.name, record_id: id, blob_id: @stored.id }
  end

  # @return [PageFile]
  def keep_on(page)
    transaction do
      update!(page: page)
      content.attach(@stored)
      Happening.write(:file_added, page, by: author, file: public_id, name: name)
    end
    self
  end
end
