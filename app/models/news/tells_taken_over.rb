# Keepers of a place learn who has taken it over.
module TellsTakenOver
  def self.tell(happening)
    place = happening.page || happening.room or return
    Person.where(id: place.audience.keepers.map(&:id)).where.not(id: happening.person&.id).each do |keeper|
      HouseMailer.taken_over(keeper, place, by: happening.person).deliver_now
    end
  end
end
