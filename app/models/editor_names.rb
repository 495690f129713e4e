# The names that the editor shows for what a document holds by id: people who can be named, and titles of pages.
class EditorNames
  def initialize(document, viewer)
    @document = document
    @viewer = viewer
  end

  # @return [Hash] names by public id, of people and of pages
  def as_json(*)
    ids = Zuhause::Links.in(@document).select { |reference| reference.target.kind == :page }.map { |reference| reference.target.value }
    people = @viewer.active_member? ? Person.active : Person.where(id: @viewer.person.id)
    { people: people.by_name.pluck(:public_id, :name).to_h, pages: Page.seen_by(@viewer).where(public_id: ids).pluck(:public_id, :title).to_h }
  end
end
