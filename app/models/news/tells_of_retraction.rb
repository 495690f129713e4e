# Who keeps a page learns by mail that an edition was taken back, and who had read it.
module TellsOfRetraction
  def self.tell(happening)
    page = happening.page or return
    edition = page.editions.find_by(number: happening.details["edition"]) or return
    readers = Person.where(id: EditionReading.where(edition: edition).select(:person_id)).by_name.to_a
    Person.where(id: page.audience.keepers.map(&:id)).where.not(id: happening.person&.id).each do |keeper|
      HouseMailer.retracted(keeper, page, edition, by: happening.person, readers: readers).deliver_now
    end
  end
end
