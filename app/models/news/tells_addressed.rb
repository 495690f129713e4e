# People who are named in a remark learn of it by mail, if they may read it when they are told.
module TellsAddressed
  def self.tell(happening)
    remark = Remark.kept.find_by(public_id: happening.details["remark"]) or return
    Person.active.where(public_id: happening.details["people"]).where.not(id: happening.person&.id).each do |person|
      HouseMailer.addressed(person, remark, by: happening.person).deliver_now if Remark.seen_by(Viewer.new(person)).exists?(id: remark.id)
    end
  end
end
