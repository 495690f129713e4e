# The drawn map of what a page links to and is linked from, or of a room, of what somebody reads.
class DrawnLinks
  # What is told of one page beside the drawing: +step+ below zero if it leads to the page.
  Told = Struct.new(:page, :step, keyword_init: true)

  LOOKED_AT = 1500 # pages
  NEAR = 300 # of which all links among each other are drawn; of those farther off the ones by which they were met

  # @param page [Page] that the viewer reads
  # @param steps [Integer]
  def self.around(page, viewer, steps:)
    links = PageLinks.new(viewer)
    edges = { from: 1, to: 0 }.flat_map { |way, other| walk(page.id, steps) { |ids| links.public_send(way, ids).map { |tie| [ tie, tie[other] ] } } }.uniq
    ids = [ page.id, *edges.flat_map { |from, to, _use| [ from, to ] } ].uniq
    pages = pages_of(ids, viewer)
    new(pages, Zuhause::Links::Neighbourhood.new(page.id, told(pages), edges | links.among(ids.first(NEAR)), steps: steps))
  end

  # @param room [Room]
  def self.of_room(room, viewer)
    links = PageLinks.new(viewer)
    pages = Page.read_by(viewer).where(room: room).limit(LOOKED_AT).includes(:room).index_by(&:id)
    ids = pages.keys
    all = links.from(ids) | links.to(ids)
    outside = all.reject { |from, to, _use| pages[from] && pages[to] }.flat_map { |from, to, _use| pages[from] ? [ [ from, to ] ] : [ [ to, from ] ] }.uniq.group_by(&:first).transform_values(&:size)
    new(pages, Zuhause::Links::RoomMap.new(told(pages), all, outside: outside))
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

  def self.pages_of(ids, viewer)
    numbers = Arel::Nodes::In.new(Page.arel_table[:id], Arel.sql(ids.map(&:to_i).join(","))) # written out: bound one by one they take long
    Page.read_by(viewer).where(numbers).select(:id, :public_id, :title, :room_id).includes(:room).index_by(&:id)
  end

  def self.told(pages)
    pages.each_value.map { |page| Zuhause::Links::Neighbourhood::Page.new(page.id, page.title, page.room_id) }
  end
  private_class_method :walk, :pages_of, :told

  attr_reader :map

  # @param pages [Hash{Integer=>Page}]
  # @param map [Zuhause::Links::Neighbourhood, Zuhause::Links::RoomMap]
  def initialize(pages, map)
    @pages, @map = pages, map
  end

  delegate :drawing, to: :map

  # @param id [Integer]
  # @return [Page]
  def page(id)
    @pages.fetch(id)
  end

  # @return [Hash{Integer=>Room}]
  def rooms
    @rooms ||= @pages.each_value.map(&:room).uniq.index_by(&:id)
  end

  # @return [Array<Told>] pages of a neighbourhood, by step and title
  def list
    @list ||= map.steps.reject { |_id, step| step.zero? }.map { |id, step| Told.new(page: page(id), step: step) }.sort_by { |told| [ told.step.abs, -told.step, told.page.title.downcase ] }
  end
end
