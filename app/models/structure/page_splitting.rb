# A heading with all that stands under it, made a page of its own below the page: where it stood stays a link, or a place that
# shows it live.
class PageSplitting
  KINDS = %w[link insert].freeze

  # @param page [Page] without changes that wait
  # @param heading [String] the heading's block id
  # @param instead [String] one of {KINDS}
  def initialize(page, heading, instead: "link")
    @page, @heading, @instead = page, heading, instead.presence_in(KINDS) || "link"
  end

  # @return [Array<Zuhause::Document::Outline::Heading>] headings that can be made pages
  def self.headings(page)
    top = page.edition.document["content"].map { |block| block.dig("attrs", "id") }.to_set
    Zuhause::Document::Outline.headings(page.edition.document).select { |heading| top.include?(heading.id) }
  end

  # @return [Zuhause::Restructuring::Parted]
  # @raise [Zuhause::Restructuring::Impossible]
  def parted
    @parted ||= Zuhause::Restructuring.split(@page.edition.document, @heading)
  end

  # @return [Page] the new one
  # @raise [PageJoining::Waiting, Zuhause::Restructuring::Impossible]
  def split(by:, at: Time.current)
    raise PageJoining::Waiting if @page.edition.nil? || @page.unpublished_changes?

    parted
    Page.transaction do
      fresh = Page.begin(title: parted.title, above: @page, by: by, at: at)
      raise ActiveRecord::RecordInvalid, fresh unless fresh.persisted?

      fresh.update!(language: @page.language)
      RemarkPlace.move(Remark.standing_on(@page, parted.ids), to: fresh)
      fresh.drawing_from(@page) { put(fresh, parted.document, I18n.t("editions.split_note", title: @page.title), by: by, at: at) }
      put(@page, parted.left(instead(fresh)), I18n.t("editions.parted_note", title: parted.title), by: by, at: at)
      Forwarding.set(@page, fresh, blocks: parted.ids.to_h { |id| [ id, (id unless id == @heading) ] }, at: at)
      PartsLedTo.judge(@page)
      Happening.write(:split_off, fresh, by: by, at: at)
      fresh
    end
  end

  private

  def put(page, document, note, by:, at:)
    saved = page.save_draft(page.draft.state.with(document: document), base_version: page.draft.version, by: by, at: at)
    raise ActiveRecord::RecordInvalid, saved unless saved.persisted?

    page.publish(version: saved.version, by: by, note: note, at: at)
  end

  def instead(fresh)
    return { "type" => "live_insert", "attrs" => { "page" => fresh.public_id } } if @instead == "insert"

    link = { "type" => "link", "attrs" => { "target" => "page:#{fresh.public_id}" } }
    { "type" => "paragraph", "content" => [ { "type" => "text", "text" => fresh.title, "marks" => [ link ] } ] }
  end
end
