# The names that the editor shows for what a document holds by id: people who can be named, and titles of pages.
class EditorNames
  # @param page [Page] whose draft it is
  def initialize(document, page, viewer)
    @document = document
    @page = page
    @viewer = viewer
  end

  # @return [Hash] names by public id, of people, pages and files
  def as_json(*)
    pages = Page.seen_by(@viewer).where(public_id: ids { |reference| reference.target.kind == :page }).to_a
    files = PageFile.where(public_id: ids { |reference| reference.use == :file }, page: @page)
    sources = Source.where(public_id: ids { |reference| reference.use == :cite })
    { people: @viewer.people.by_name.pluck(:public_id, :name).to_h, outside: outside, pages: pages.to_h { |page| [ page.public_id, page.title ] }, states: PageStates.of(pages, @viewer), led_to: led_to,
      files: files.pluck(:public_id, :name).to_h, sources: sources.pluck(:public_id, :title).to_h }
  end

  private

  # People who may not read the page: whoever names them is told.
  #
  # @return [Array<String>] public ids; members are told
  def outside
    return [] unless @viewer.active_member?

    readers = Zuhause::Access::Audience.new(@page.access_list.to_list, Person.viewers, @viewer.switches).levels.keys.map(&:id)
    Person.active.where.not(id: readers).pluck(:public_id)
  end

  # How many pages lead to single blocks of it, in words.
  def led_to
    LinkedFrom.new(@page, @viewer).by_block.transform_values { |count| I18n.t("links.led_to", count: count) }
  end

  def ids(&wanted)
    @points ||= Zuhause::Links.in(@document)
    @points.select(&wanted).map { |reference| reference.target.value }
  end
end
