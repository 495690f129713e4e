# What somebody was given for a time is told of before it ends and once it has: to those who have it, and to who keeps the place.
class TellsEnding
  def self.tell(happening)
    place = happening.page || happening.room
    kind, id = happening.details["holder"].split(":", 2)
    day = Date.iso8601(happening.details["ends_on"])
    person = Person.active.find_by(public_id: id) if kind == "person"
    sees = person && Viewer.new(person).level_on(place) != :none
    HouseMailer.ending(person, happening.act, place, day: day, holder: nil, still: sees).deliver_now if person && (sees || happening.act == "ended")
    Person.where(id: place.audience.keepers.map(&:id)).where.not(id: person&.id).each do |keeper|
      HouseMailer.ending(keeper, happening.act, place, day: day, holder: holder_name(kind, id, person), still: true).deliver_now
    end
  end

  def self.holder_name(kind, id, person)
    person&.name || (kind == "group" ? Group.find_by(public_id: id)&.name : I18n.t("access.holders.#{kind}")) || I18n.t("happenings.somebody")
  end
  private_class_method :holder_name
end
