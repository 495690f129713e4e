# Who set a page to be published learns by mail that it was held up, or that something else was published before.
module TellsWhoSetIt
  def self.tell(happening)
    page = happening.page or return
    act = happening.act.delete_prefix("publication_").to_sym
    person = act == :overtaken ? Person.find_by(public_id: happening.details["people"]) : happening.person
    return if person.nil? || person.suspended? || (act == :overtaken && person == happening.person) || Viewer.new(person).sight_of(page) != :draft

    HouseMailer.publication(person, act, page, by: happening.person, reason: happening.details["reason"]).deliver_now
  end
end
