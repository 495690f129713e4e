# People whom a page names for the first time learn of it by mail, if they may read it when they are told.
module TellsNamed
  def self.tell(happening)
    page = happening.page or return
    Person.active.where(public_id: happening.details["people"]).where.not(id: happening.person&.id).each do |person|
      HouseMailer.named(person, page, by: happening.person).deliver_now if Viewer.new(person).sees?(page)
    end
  end
end
