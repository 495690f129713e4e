# Whoever asked for access and was given some is told so.
class TellsLetIn
  def self.tell(happening)
    kind, id = happening.details["holder"].to_s.split(":", 2)
    place = happening.page || happening.room
    return unless kind == "person" && place && (person = Person.active.find_by(public_id: id))
    return unless AccessRequest.where(person: person, given: true, answered_at: (happening.created_at - 5.minutes)..).any? { |request| request.place == place }

    ends_on = happening.details["ends_on"]&.then { |day| Date.iso8601(day) }
    HouseMailer.let_in(person, place, by: happening.person, level: happening.details["level"], ends_on: ends_on).deliver_now if Viewer.new(person).level_on(place) != :none
  end
end
