# Who keeps what is given to a group learns of people who have joined it.
module TellsJoined
  def self.tell(happening)
    place, group = happening.page || happening.room, Group.find_by(public_id: happening.details["holder"].to_s.delete_prefix("group:"))
    names = Person.where(public_id: happening.details["people"]).by_name.pluck(:name)
    return if place.nil? || group.nil? || names.empty?

    Person.where(id: place.audience.keepers.map(&:id)).where.not(id: happening.person&.id).each do |keeper|
      HouseMailer.joined(keeper, place, group: group, names: names, by: happening.person).deliver_now
    end
  end
end
