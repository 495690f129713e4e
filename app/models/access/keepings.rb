# What somebody alone keeps, and nobody else who is active and keeps it for good: given to others in one act when they leave.
class Keepings
  # @param person [Person]
  def initialize(person)
    @person = person
  end

  # @return [Array<Room, Page>]
  def places
    @places ||= begin
      subject = Person.find(@person.id).to_viewer.then { |viewer| Zuhause::Access::Viewer.new(id: viewer.id, role: viewer.role, groups: viewer.groups) }
      others, switches = Person.viewers.reject { |one| one.id == @person.id }, House.current.switches.for_good
      all = Room.shared.in_order.includes(access_list: :entries) + Page.kept.where(own_list: true).order(:id).includes(:room, access_list: :entries)
      all.select do |place|
        list = place.access_list.to_list
        list.level(subject, switches) == :keep && Zuhause::Access::Audience.new(list, others, switches).keepers.empty?
      end
    end
  end

  # @param to [Person] an active member, who keeps all of it from then on
  # @return [Integer] places
  def hand_over(to:, by:)
    holder = Zuhause::Access::Holder.new(:person, to.id)
    Room.transaction do
      places.each do |place|
        exposure = place.exposure_of_giving([ holder ], :keep)
        place.record_access(:given, by: by, exposure: exposure, holder: holder, level: :keep) { place.grant(holder, :keep) }
      end
    end
    places.each { |place| HouseMailer.let_in(to, place, by: by, level: :keep).deliver_now }.size
  end
end
