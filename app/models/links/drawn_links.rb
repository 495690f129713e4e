# The drawn map of what a page links to and is linked from, or of a room, of what somebody reads.
class DrawnLinks
  # What is told of one page beside the drawing: +step+ below zero if it leads to the page; +ties+: pages that it is tied to on the way
  # there, with the kinds of links.
  Told = Struct.new(:page, :step, keyword_init: true)

  LOOKED_AT = 1500 # pages

  # @param page [Page] that the viewer reads
  # @param steps [Integer]
  def self.around(page, viewer, steps:)
    links = PageLinks.new(viewer)
    ids, edges = [ page.id ], []
    { from: 1, to: 0 }.each do |way, other|
      last = [ page.id ]
      steps.times do
        ties = last.any? ? links.public_send(way, last.first(LOOKED_AT)) : []
        edges |= ties
        last = ties.map { |tie| tie[other] }.uniq - ids
        ids |= last
      end
    end
    pages = pages_of(ids, viewer)
    new(pages, Zuhause::Links::Neighbourhood.new(page.id, told(pages), edges | links.among(ids.first(LOOKED_AT)), steps: steps))
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

  def self.pages_of(ids, viewer)
    Page.read_by(viewer).where(id: ids).includes(:room).index_by(&:id)
  end

  def self.told(pages)
    pages.each_value.map { |page| Zuhause::Links::Neighbourhood::Page.new(page.id, page.title, page.room_id) }
  end
  private_class_method :pages_of, :told

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
    map.steps.reject { |_id, step| step.zero? }.map { |id, step| Told.new(page: page(id), step: step) }.sort_by { |told| [ told.step.abs, -told.step, told.page.title.downcase ] }
  end
end
