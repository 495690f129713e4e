# The rooms a viewer sees and, of the open one, the tree of its pages. A page whose parent is not seen hangs from the
# nearest page above that is.
class Plan
  Entry = Struct.new(:page, :children) do
    # @return [Integer] pages below
    def size
      children.sum { |child| 1 + child.size }
    end
  end

  COLUMNS = %i[id public_id title ancestry position access_list_id edition_id room_id bin_root_id].freeze

  attr_reader :room, :page

  def initialize(viewer, room: nil, page: nil)
    @viewer = viewer
    @room = room
    @page = page
  end

  def rooms
    @rooms ||= Room.seen_by(@viewer).in_order.to_a
  end

  # @return [Array<Entry>]
  def entries
    @entries ||= room ? tree : []
  end

  # @return [Boolean] whether the way to the page that is open leads through this one
  def open?(entry)
    page && (entry.page.id == page.id || page.ancestor_ids.include?(entry.page.id))
  end

  def current?(entry)
    page&.id == entry.page.id
  end

  private

  def tree
    pages = Page.where(room_id: room.id).select(*COLUMNS).to_a
    positions = pages.to_h { |each| [ each.id, each.position ] }
    in_order = pages.sort_by { |each| each.path_ids.map { |id| positions.fetch(id) } }
    seen = in_order.select { |each| !each.binned? && @viewer.sees?(each) }.to_h { |each| [ each.id, Entry.new(each, []) ] }
    seen.values.each_with_object([]) do |entry, top|
      above = entry.page.ancestor_ids.reverse.find { |id| seen.key?(id) }
      (above ? seen[above].children : top) << entry
    end
  end
end
