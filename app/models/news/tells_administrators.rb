# Somebody asks to come into the house: told to who can let them in.
module TellsAdministrators
  def self.tell(happening)
    request = JoinRequest.waiting.find_by(public_id: happening.details["request"]) or return
    Person.active.where.not(office: "none").each { |person| HouseMailer.join_asked(person, request).deliver_now }
  end
end
