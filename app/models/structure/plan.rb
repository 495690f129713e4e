# The rooms a viewer sees and, of the open one, its top branch and those on the way to the page that is open. Further
# branches are loaded as they are opened.
class Plan
  attr_reader :viewer, :room, :page

  def initialize(viewer, room: nil, page: nil)
    @viewer = viewer
    @room = room
    @page = page
  end

  def rooms
    @rooms ||= Room.seen_by(viewer).in_order.to_a
  end

  # @return [Branch]
  def top
    branches.fetch(room)
  end

  # @param page [Page]
  # @return [Branch, nil] what is below it, if it is on the way
  def below(page)
    branches.find { |place, _branch| place == page }&.last
  end

  # @return [Integer] where a branch begins to be shown, so that the way is seen
  def beginning_of(branch)
    branch.beginning_for(way)
  end

  def current?(other)
    page&.id == other.id
  end

  # @return [Array<Page>] where what was pinned and read last leads
  def pinned
    @pinned ||= kept_pages(Pin.where(person: viewer.person).order(:id), 12)
  end

  def read_lately
    @read_lately ||= kept_pages(Reading.where(person: viewer.person).order(read_at: :desc), 5)
  end

  private

  def way
    @way ||= page&.persisted? && page.room_id == room&.id ? Page.seen_by(viewer).where(id: page.path_ids).sort_by(&:depth) : []
  end

  def branches
    @branches ||= room ? Branch.load(viewer, room, [ room, *way ]) : {}
  end

  def kept_pages(rows, most)
    return [] unless viewer.signed_in?

    rows.joins(:page).merge(Page.seen_by(viewer)).includes(page: :room).limit(most).map(&:page)
  end
end
