# The rooms and pages in which a viewer may put pages.
class Places
  FEW = 300 # so many can be chosen from one list
  FOUND = 30

  def initialize(viewer)
    @viewer = viewer
  end

  def empty?
    rooms.empty? && Page.writable_by(@viewer).none?
  end

  # @return [Boolean] whether all of them fit into one list
  def few?
    @few ||= Page.writable_by(@viewer).limit(FEW + 1).count <= FEW
  end

  # @param public_id [String, nil] of a room or page
  # @return [Room, Page, nil] nil for what the viewer does not see
  def find(public_id)
    Room.seen_by(@viewer).find_by(public_id: public_id) || Page.seen_by(@viewer).find_by(public_id: public_id)
  end

  # All places where they are few; else the rooms, and the pages about +near+.
  #
  # @param except [Page, nil] a page that is to be moved: neither it nor what is below it is a place for it
  # @param near [String, nil] the public id of a place
  # @return [Array<Array(Room, Array<Array(Room|Page, Integer)>)>] for each room, its places and how many steps in they stand
  def options(except: nil, near: nil)
    by_room(few? ? Page.writable_by(@viewer) : about(find(near)), except, rooms)
  end

  # @param text [String] words of titles
  # @return [Array] as of {#options}
  def found(text, except: nil)
    words = Zuhause::Finding::Query.new(text).words
    pages = words.reduce(Page.writable_by(@viewer)) { |found, word| found.where("pages.title LIKE ?", "%#{Page.sanitize_sql_like(word)}%") }
    named = rooms.select { |room| words.all? { |word| room.name.downcase.include?(word.downcase) } }
    by_room(pages.order(:title).limit(FOUND), except, named)
  end

  private

  def rooms
    @rooms ||= Room.writable_by(@viewer).in_order.to_a
  end

  # The pages above a place, beside it and below it.
  def about(place)
    return Page.none unless place.is_a?(Page)

    Page.writable_by(@viewer).where(id: place.path_ids).or(Page.writable_by(@viewer).where(ancestry: [ place.ancestry, place.child_ancestry ], room_id: place.room_id)).limit(FEW)
  end

  def by_room(pages, except, named)
    listed = in_order(pages.to_a.reject { |page| except && page.path_ids.include?(except.id) }).group_by(&:room_id)
    depths = {}
    Room.where(id: listed.keys).or(Room.where(id: named)).in_order.map do |room|
      [ room, [ *([ [ room, 0 ] ] if named.include?(room)), *listed.fetch(room.id, []).map { |page| [ page, depth(page, depths) ] } ] ]
    end
  end

  # In the order of the plan, as far as what stands above is listed as well.
  def in_order(pages)
    positions = pages.to_h { |page| [ page.id, page.position ] }
    pages.sort_by { |page| [ page.path_ids.map { |id| positions.fetch(id, 0) }, page.id ] }
  end

  # One step in for each page above that is listed as well.
  def depth(page, depths)
    depths[page.id] = 1 + page.ancestor_ids.count { |id| depths.key?(id) }
  end
end
