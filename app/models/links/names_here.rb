# Names of pages that stand in a draft without a link, as far as somebody sees the pages.
class NamesHere
  MOST = 20 # that are offered

  # @param page [Page] whose draft the viewer sees
  def initialize(page, viewer)
    @page, @viewer = page, viewer
  end

  # @return [Array<Hash>] of each name the first place; none of pages that the draft links to anywhere
  def list
    found = Zuhause::Links::Names.outermost(names.places(document)).reject { |place| linked.include?(place.id) }.uniq(&:id).first(MOST)
    pages = Page.where(id: found.map(&:id)).includes(:room).index_by(&:id)
    found.map { |place| { block: place.block, start: place.start, length: place.length, words: words(place), page: pages[place.id].public_id, title: pages[place.id].title, room: pages[place.id].room.name } }
  end

  private

  def document
    @page.draft.document
  end

  def rules
    Zuhause::Links::Promised.rules_of(@page.language)
  end

  def names
    asked = Zuhause::Links::Names.new([], rules).words(document)
    Zuhause::Links::Names.new(KnownName.beginning(asked, rules, pages: Page.seen_by(@viewer).where.not(id: @page.id)), rules)
  end

  def linked
    @linked ||= Page.where(public_id: @page.draft.points.filter_map { |point| point.target.value if point.target.is_a?(Zuhause::Links::Target) && point.target.kind == :page }).ids.to_set
  end

  def words(place)
    (@text ||= Zuhause::Anchors::PageText.new(document)).block(place.block).text[place.start, place.length]
  end
end
