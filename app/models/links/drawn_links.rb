# The drawn map of what a page links to and is linked from, or of a room, of what somebody reads.
class DrawnLinks
  # What is told of one page beside the drawing: its +id+; +step+ below zero if it leads to the page.
  Told = Struct.new(:id, :step)

  LOOKED_AT = 1500 # pages
  NEAR = 300 # of which all links among each other are drawn; of those farther off the ones by which they were met

  # @param page [Page] that the viewer reads
  # @param steps [Integer]
  def self.around(page, viewer, steps:)
    links = PageLinks.new(viewer)
    asked = { from: [], to: [] }
    edges = { from: 1, to: 0 }.flat_map { |way, other| walk(page.id, steps) { |ids| asked[way].concat(ids) && links.public_send(way, ids).map { |tie| [ tie, tie[other] ] } } }
    ids = [ page.id, *edges.flat_map { |from, to, _use| [ from, to ] } ].uniq
    pages = sketches(Page.read_by(viewer).where(Page.any_of(Page.arel_table[:id], ids)))
    new(pages, Zuhause::Links::Neighbourhood.new(page.id, pages.values, edges | links.among(ids.first(NEAR), from: ids.first(NEAR) - asked[:from]), steps: steps))
  end

  # @param room [Room]
  def self.of_room(room, viewer)
    links = PageLinks.new(viewer)
    pages = sketches(Page.read_by(viewer).where(room: room).limit(LOOKED_AT))
    ids = pages.keys
    all = links.from(ids) | links.to(ids)
    outside = all.reject { |from, to, _use| pages[from] && pages[to] }.flat_map { |from, to, _use| pages[from] ? [ [ from, to ] ] : [ [ to, from ] ] }.uniq.group_by(&:first).transform_values(&:size)
    new(pages, Zuhause::Links::RoomMap.new(pages.values, all, outside: outside))
  end

  # Each direction by itself: what is met in one may be met in the other too.
  #
  # @yieldparam ids [Array<Integer>] pages that were met last
  # @yieldreturn [Array<Array(Array, Integer)>] links, each with the page to which it goes on
  # @return [Array] the links
  def self.walk(first, steps)
    met, last = [ first ], [ first ]
    Array.new(steps) do
      ties = last.any? ? yield(last.first(LOOKED_AT)) : []
      last = ties.map(&:last).uniq - met
      met |= last
      ties.map(&:first)
    end.flatten(1)
  end

  # @return [Hash{Integer=>Zuhause::Links::Neighbourhood::Page}] as much of pages as a map is made of
  def self.sketches(pages)
    pages.pluck(:id, :title, :room_id).to_h { |id, title, room| [ id, Zuhause::Links::Neighbourhood::Page.new(id, title, room) ] }
  end
  private_class_method :walk, :sketches

  attr_reader :map

  # @param sketches [Hash{Integer=>Zuhause::Links::Neighbourhood::Page}]
  # @param map [Zuhause::Links::Neighbourhood, Zuhause::Links::RoomMap]
  def initialize(sketches, map)
    @sketches, @map = sketches, map
  end

  delegate :drawing, to: :map

  # @param ids [Array<Integer>] of those that are to be shown
  # @return [Hash{Integer=>Page}]
  def pages(ids)
    Page.where(id: ids).select(:id, :public_id, :title, :room_id).index_by(&:id)
  end

  # @return [Hash{Integer=>Room}]
  def rooms
    @rooms ||= Room.where(id: @sketches.each_value.map(&:room).uniq).index_by(&:id)
  end

  # @return [Array<Told>] pages of a neighbourhood, by step and title
  def list
    @list ||= map.steps.reject { |_id, step| step.zero? }.map { |id, step| Told.new(id, step) }.group_by(&:step).sort_by { |step, _told| [ step.abs, -step ] }
                 .flat_map { |_step, there| there.sort_by { |told| @sketches.fetch(told.id).name } }
  end
end
