# What stands in a file that pages show, once for the same bytes, so that it can be found. It is read apart from whatever brought
# the file in.
class FileText < ApplicationRecord
  PDF = "application/pdf"
  TYPES = [ PDF, *Zuhause::Finding::FilePieces::TYPES ].freeze
  SECONDS = 20 # of the processor, for a PDF
  LARGEST = 20.megabytes # of what is read from one
  AT_ONCE = 20 # files in one run

  belongs_to :blob, class_name: "ActiveStorage::Blob"

  attribute :pieces, CompressedText.new

  class << self
    # Reads what has not been read yet, and lets it be found.
    #
    # @return [Integer] files
    def catch_up
      missing = wanted.limit(AT_ONCE).to_a
      missing.each { |blob| take(blob) }
      missing.size
    end

    # @param blob [ActiveStorage::Blob]
    def take(blob)
      pieces = read(blob)
      transaction do
        create_or_find_by!(blob: blob) { |text| text.pieces = JSON.generate(pieces.map { |piece| [ piece.place, piece.text ] }) }
        pages_that_show(blob).each { |page| Section.follow_files(page) && CountedPage.count(page) } if pieces.any?
      end
    end

    # @param files [Array<PageFile>]
    # @return [Hash{PageFile=>Array<Array(Object, String)>}] place and text of each piece
    def of(files)
      texts = where(blob_id: files.map { |file| file.content.blob.id }).index_by(&:blob_id)
      files.index_with { |file| texts[file.content.blob.id]&.then { |text| JSON.parse(text.pieces) } || [] }
    end

    private

    def wanted
      shown = ActiveStorage::Attachment.where(record_type: "PageFile", name: "content", record_id: PageFile.where(published: true).select(:id))
      ActiveStorage::Blob.where(content_type: TYPES, id: shown.select(:blob_id)).where.not(id: select(:blob_id)).order(:id)
    end

    def pages_that_show(blob)
      files = PageFile.where(id: ActiveStorage::Attachment.where(record_type: "PageFile", name: "content", blob_id: blob.id).select(:record_id))
      Page.where(id: files.select(:page_id)).where.not(edition_id: nil).includes(edition: :text)
    end

    def read(blob)
      bytes = blob.download
      blob.content_type == PDF ? Zuhause::Finding::FilePieces.pages(pages_of_pdf(bytes)) : Zuhause::Finding::FilePieces.of(bytes, blob.content_type)
    rescue StandardError => e
      # Whatever is wrong with one file is wrong the next time too, and must not keep others from being read.
      Rails.logger.warn("a file could not be read for finding: #{e.class}")
      []
    end

    # By Poppler, which runs as a program of its own with bounds on time and size.
    def pages_of_pdf(bytes)
      Tempfile.create([ "text", ".pdf" ], binmode: true) do |file|
        file.write(bytes)
        file.flush
        out, status = Open3.capture2("pdftotext", "-enc", "UTF-8", "-l", Zuhause::Finding::FilePieces::MOST.to_s, file.path, "-", binmode: true, rlimit_cpu: SECONDS, rlimit_as: 2.gigabytes, rlimit_fsize: LARGEST, err: File::NULL)
        status.success? ? out.split("\f") : []
      end
    end
  end
end
