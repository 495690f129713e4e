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
    ids = Zuhause::Links.in(@document).select { |reference| reference.target.kind == :page }.map { |reference| reference.target.value }
    files = Zuhause::Links.in(@document).select { |reference| reference.use == :file }.map { |reference| reference.target.value }
    sources = Zuhause::Links.in(@document).select { |reference| reference.use == :cite }.map { |reference| reference.target.value }
    people = @viewer.active_member? ? Person.active : Person.where(id: @viewer.person.id)
    pages = Page.seen_by(@viewer).where(public_id: ids).to_a
    { people: people.by_name.pluck(:public_id, :name).to_h, pages: pages.to_h { |page| [ page.public_id, page.title ] }, states: PageStates.of(pages),
      files: PageFile.where(public_id: files, page: @page).pluck(:public_id, :name).to_h, sources: Source.where(public_id: sources).pluck(:public_id, :title).to_h }
  end
end
