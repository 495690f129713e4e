# Keepers of a page learn that it stayed where what it stood in went into the bin.
module TellsStayed
  def self.tell(happening)
    page = happening.page or return
    Person.where(id: page.audience.keepers.map(&:id)).each { |keeper| HouseMailer.stayed(keeper, page, by: happening.person).deliver_now }
  end
end
