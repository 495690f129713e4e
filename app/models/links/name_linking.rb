# Puts links on names that stand in texts without one: into the drafts of those pages that whoever does it may write.
class NameLinking
  # +pages+: public ids of those whose drafts were changed; +left+: how many places were left, since the text there is another by now.
  Outcome = Struct.new(:pages, :left, keyword_init: true)

  # @param target [Page] that is named
  # @param rows [Array<UnlinkedName>]
  # @return [Outcome]
  def self.link(target, rows, by:, at: Time.current)
    new(target, by, at).link(rows)
  end

  def initialize(target, by, at)
    @target, @by, @at = target, by, at
  end

  def link(rows)
    done = rows.group_by(&:page_id).to_h { |id, there| [ id, Page.transaction { link_in(id, there) } ] }
    Outcome.new(pages: Page.where(id: done.select { |_id, places| places.positive? }.keys).pluck(:public_id), left: rows.size - done.values.sum)
  end

  private

  # @return [Integer] places that were linked
  def link_in(id, rows)
    page = Page.writable_by(Viewer.new(@by)).find_by(id: id) or return 0
    places = chosen(places_in(page), rows)
    return 0 if places.empty?

    document = Zuhause::Links::Linking.put(page.draft.document, places)
    saved = page.save_draft(page.draft.state.with(document: document), base_version: page.draft.version, by: @by, at: @at)
    return 0 unless saved.persisted?

    UnlinkedName.where(page: page, target: @target).update_all(drafted: true)
    places.size
  end

  # In the draft it may stand elsewhere in the same block.
  def places_in(page)
    rules = Zuhause::Links::Promised.rules_of(page.language)
    names = KnownName.where(page: @target, rules: rules.to_s).pluck(:name).map { |name| Zuhause::Links::Names::Name.new(name, "page:#{@target.public_id}") }
    Zuhause::Links::Names.outermost(Zuhause::Links::Names.new(names, rules).places(page.draft.document)).uniq { |place| [ place.block, place.start ] }
  end

  def chosen(places, rows)
    rows.each_with_object([]) do |row, found|
      there = (places - found).select { |place| place.block == row.block_id }
      found << (there.find { |place| place.start == row.start } || there.first)
    end.compact
  end
end
