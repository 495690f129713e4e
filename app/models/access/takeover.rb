# The places that somebody must keep, as far as an administrator may know of them: room, keepers, number of pages, no
# titles. A room of somebody's own is not among them.
class Takeover
  Place = Struct.new(:place, :keepers, :pages, keyword_init: true)

  # @return [Array<Place>] those without a keeper first
  def self.places
    people = Person.viewers
    names = Person.pluck(:id, :name).to_h
    switches = House.current.switches
    places = Room.shared.in_order.includes(access_list: :entries) + Page.kept.where(own_list: true).order(:id).includes(:room, access_list: :entries)
    rooms, below = Page.kept.group(:room_id).count, Page.counts_below(places.grep(Page).map(&:id), among: Page.kept)
    places.map { |place| Place.new(place: place, keepers: keepers(place, people, switches, names), pages: place.is_a?(Room) ? rooms.fetch(place.id, 0) : 1 + below.fetch(place.id)) }.sort_by.with_index { |found, i| [ found.keepers.size.clamp(0, 1), i ] }
  end

  # Makes somebody keeper, and records it for good.
  def self.take_over(place, by:)
    holder = Zuhause::Access::Holder.new(:person, by.id)
    place.transaction do
      exposure = place.exposure_of_giving([ holder ], :keep)
      place.record_access(:taken_over, by: by, exposure: exposure) { place.grant(holder, :keep) }
    end
  end

  def self.keepers(place, people, switches, names)
    Zuhause::Access::Audience.new(place.access_list.to_list, people, switches).keepers.map { |keeper| names.fetch(keeper.id) }.sort
  end

  private_class_method :keepers
end
