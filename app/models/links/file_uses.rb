# Where a page's files are used: in its text, as its cover or icon, and on other pages that show the same bytes, as far as the
# viewer may know.
class FileUses
  # +words+ stand around it, nil where it is the page's cover or icon.
  Use = Struct.new(:page, :block_id, :words, :draft, keyword_init: true)

  # @param files [Array<PageFile>]
  def initialize(files, viewer)
    @files, @viewer = files, viewer
  end

  # @return [Array<Use>] its own page's first
  def of(file)
    alike = same_bytes.fetch(blobs[file.id], [ file.id ])
    uses.values_at(*alike.map { |id| keys[id] }).compact.flatten.sort_by { |use| [ use.page.id == file.page_id ? 0 : 1, use.page.title, use.block_id.to_s ] }
  end

  private

  # The same content is stored once, and each page that shows it has a row of its own.
  def blobs
    @blobs ||= attached.where(record_id: @files.map(&:id)).pluck(:record_id, :blob_id).to_h
  end

  def same_bytes
    @same_bytes ||= attached.where(blob_id: blobs.values.uniq).pluck(:blob_id, :record_id).group_by(&:first).transform_values { |rows| rows.map(&:last) }
  end

  def attached
    ActiveStorage::Attachment.where(record_type: "PageFile", name: "content")
  end

  def keys
    @keys ||= PageFile.where(id: same_bytes.values.flatten | @files.map(&:id)).pluck(:id, :public_id).to_h
  end

  def uses
    @uses ||= [ *in_texts, *looks ].group_by(&:first).transform_values { |pairs| pairs.map(&:last) }
  end

  # What stands in a draft as it does in the edition is told once.
  def in_texts
    rows = SeenReferences.of(Reference.in_texts.to(:file, keys.values), @viewer).order(stage: :desc, id: :asc).pluck(:target_id, :page_id, :block_id, :context, :stage)
    rows = rows.uniq { |file, page, block, *| [ file, page, block ] }
    pages = Page.where(id: rows.map(&:second).uniq).index_by(&:id)
    rows.map { |file, page, block, words, stage| [ file, Use.new(page: pages.fetch(page), block_id: block, words: words, draft: stage == "draft") ] }
  end

  def looks
    rows = Reference.where(stage: "set", use: "look").to(:file, keys.values).joins(:page).merge(Page.seen_by(@viewer)).includes(:page)
    rows.map { |row| [ row.target_id, Use.new(page: row.page) ] }
  end
end
