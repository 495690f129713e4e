# The rooms a viewer sees and, of the open one, its top branch and those on the way to the page that is open. Further
# branches are loaded as they are opened.
class Plan
  attr_reader :viewer, :room, :page

  def initialize(viewer, room: nil, page: nil)
    @viewer = viewer
    @room = room
    @page = page
  end

  # @return [Branch]
  def top
    branches.fetch(room)
  end

  # @param page [Page, Branch::Leaf]
  # @return [Branch, nil] what is below it, if it is on the way
  def below(page)
    branches.find { |place, _branch| place.is_a?(Page) && place.id == page.id }&.last
  end

  # @return [Integer] where a branch begins to be shown, so that the way is seen
  def beginning_of(branch)
    branch.beginning_for(way)
  end

  def current?(other)
    page&.id == other.id
  end

  # @return [Array<Page>] where what was pinned and read last leads, each with its room's colour
  def pinned
    viewer.kept_fetch([ :pinned, viewer.person&.id ], of: %i[people lists rooms pages pins]) { leading_to(Pin.where(person: viewer.person).order(:id), 12) }
  end

  def read_lately
    @read_lately ||= leading_to(Reading.where(person: viewer.person).order(read_at: :desc), 5)
  end

  private

  def way
    @way ||= page&.persisted? && page.room_id == room&.id ? [ *SeenPath.of(page, viewer), *(page if viewer.sees?(page)) ] : []
  end

  def branches
    @branches ||= room ? Branch.kept(viewer, room, [ room, *way ]) : {}
  end

  def leading_to(rows, most)
    return [] unless viewer.signed_in?

    pages = Page.seen_by(viewer).joins(:room).select(:id, :public_id, :title, "rooms.colour AS room_colour").limit(most)
    pages.joins("JOIN #{rows.table_name} ON #{rows.table_name}.page_id = pages.id").merge(rows).to_a
  end
end
