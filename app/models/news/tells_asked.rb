# Somebody asks for access: told to who keeps the place.
class TellsAsked
  def self.tell(happening)
    request = AccessRequest.unanswered.find_by(public_id: happening.details["request"]) or return
    Person.active.where(id: request.place.audience.keepers.map(&:id)).each { |keeper| HouseMailer.access_asked(keeper, request).deliver_now }
  end
end
