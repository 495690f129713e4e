# What stands directly in a room, or below a page, of what one viewer sees of the plan: pages in their order, and the
# signposts between them. Several branches are loaded at once, with as many queries as one. A page whose parent is not
# seen hangs from the nearest page above that is.
class Branch
  MOST = 60 # shown at once

  Item = Struct.new(:page, :signpost, :size, :address, keyword_init: true)

  # A page as the plan shows it. Of all that somebody has opened they are kept by the thousand: there is no more to it than that.
  Leaf = Struct.new(:id, :public_id, :title, :icon, :access_list_id, :lowest_to_see, :published) do
    # @param page [Page]
    def self.of(page)
      new(page.id, page.public_id, page.title, page.icon, page.access_list_id, page.lowest_to_see, page.published?).freeze
    end

    def published?
      published
    end

    def to_param
      Page::Addressed.param(title, public_id)
    end
  end

  COLUMNS = %i[id public_id title ancestry position access_list_id edition_id room_id bin_root_id icon].freeze

  # @param above [Array<Room, Page>] places of one room that the viewer sees
  # @return [Hash{Room, Page=>Branch}]
  def self.load(viewer, room, above)
    Loading.new(viewer, room, above).branches
  end

  # The same, with what is in them kept as long as nothing in the plan changes: of pages, their leaves.
  def self.kept(viewer, room, above)
    key = ->(place) { [ :branch, viewer.person&.id, room.id, (place.id if place.is_a?(Page)) ] }
    missing, found = [], {}
    above.each { |place| found[place] = viewer.kept_fetch(key.call(place), of: OF) { missing << place && nil } }
    loaded = missing.any? ? load(viewer, room, missing) : {}
    above.index_with { |place| new(place, found[place] || viewer.kept_put(key.call(place), loaded.fetch(place).in_leaves, of: OF)) }
  end
  OF = %i[people lists rooms pages signposts].freeze
  private_constant :OF

  attr_reader :above

  # @param items [Array<Item>]
  def initialize(above, items)
    @above = above
    @items = items
  end

  def size
    @items.size
  end

  def empty?
    @items.empty?
  end

  # @return [Array<Item>] all of them
  def in_leaves
    @items.map { |item| item.page ? Item.new(page: Leaf.of(item.page), size: item.size).freeze : item }.freeze
  end

  # Where to begin, so that one of some pages is among those shown.
  # @param pages [Array<Page>]
  def beginning_for(pages)
    ids = pages.map(&:id)
    at = @items.index { |item| item.page && ids.include?(item.page.id) }
    at && at >= MOST ? at - (MOST / 2) : 0
  end

  # @return [Array<Item>] as many as are shown at once
  def items(from: 0)
    @items[from, MOST] || []
  end

  # One round of loading.
  class Loading
    def initialize(viewer, room, above)
      @viewer = viewer
      @room = room
      @above = above
      @rows = {}
    end

    def branches
      read(@above.map { |place| ancestry_below(place) })
      listed = @above.to_h { |place| [ place, seen_below(ancestry_below(place)) ] }
      sizes = Page.counts_below(listed.values.flatten.grep(Page).map(&:id), among: Page.seen_by(@viewer).where.not(id: aside.to_a))
      listed.to_h { |place, rows| [ place, Branch.new(place, rows.filter_map { |row| item(row, sizes) }) ] }
    end

    private

    def ancestry_below(place)
      place.is_a?(Room) ? "/" : "#{place.ancestry}#{place.id}/"
    end

    # Reads these branches, and those below pages that are not seen, level by level.
    def read(ancestries)
      while ancestries.any?
        found = Page.where(room_id: @room.id, ancestry: ancestries).select(*COLUMNS).order(:position).group_by(&:ancestry)
        ancestries.each { |ancestry| @rows[ancestry] = found.fetch(ancestry, []) }
        ancestries = found.values.flatten.reject { |page| seen?(page) }.map { |page| ancestry_below(page) }
      end
    end

    def seen?(page)
      !page.binned? && @viewer.sees?(page)
    end

    # What is put aside is not in the plan, nor is what stands below it.
    def aside
      @aside ||= PutAside.known(@viewer)
    end

    # Signposts are shown with the branch they stand in, to those who see the place itself.
    def seen_below(ancestry)
      parent = ancestry.split("/").last&.to_i
      posts = signposts.fetch(parent, [])
      rows = @rows.fetch(ancestry).flat_map do |page|
        next posts.select { |post| post.before_id == page.id } if aside.include?(page.id)

        [ *posts.select { |post| post.before_id == page.id }, *(seen?(page) ? page : pages_below(page)) ]
      end
      rows + posts.reject { |post| rows.include?(post) }
    end

    def pages_below(page)
      @rows.fetch(ancestry_below(page)).reject { |child| aside.include?(child.id) }.flat_map { |child| seen?(child) ? child : pages_below(child) }
    end

    def signposts
      @signposts ||= begin
        parents = @above.map { |place| place.id if place.is_a?(Page) }
        parents.delete(nil) unless RoomPolicy.new(@viewer, @room).look_around?
        Signpost.where(room_id: @room.id, parent_id: parents).includes(:before).in_order.group_by(&:parent_id)
      end
    end

    def item(row, sizes)
      return Item.new(page: row, size: sizes.fetch(row.id, 0)) if row.is_a?(Page)

      address = address(row)
      Item.new(signpost: row, address: address) if row.kind == "heading" || address
    end

    # A link to a page that the viewer does not see is not there for them.
    def address(post)
      target = post.link_target or return
      target.kind == :web ? target.address : targets[target.value]
    end

    def targets
      @targets ||= begin
        ids = signposts.values.flatten.filter_map { |post| post.link_target&.then { |target| target.value if target.kind == :page } }
        ids.any? ? Page.seen_by(@viewer).where(public_id: ids).index_by(&:public_id) : {}
      end
    end
  end
end
