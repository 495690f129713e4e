# Whom a happening is told, and why: of those who may see it when they are told.
class ToldPeople
  Reasons = Zuhause::Telling::Reasons

  # @param happening [Happening]
  def initialize(happening)
    @happening = happening
    @page, @room = happening.page, happening.room
  end

  # @return [String] what has to be seen of a page: its edition, or its draft
  def sight
    @happening.details["draft"] || @happening.act.start_with?("review_") ? "draft" : "edition"
  end

  # @return [Hash{Person=>Symbol}] each with the reason
  def reasons
    return {} if place.nil? || @room&.practice? || @page&.binned?

    told = Reasons.each_once(@happening.act, people, by: @happening.person&.id, small: @happening.small?)
    Person.active.where(id: told.keys - addressed).select { |person| sees?(Viewer.new(person)) }.index_with { |person| told.fetch(person.id) }
  end

  private

  def place
    @page || @room
  end

  def people
    Reasons.of(@happening.act).index_with { |reason| send(reason) }
  end

  def sees?(viewer)
    return viewer.level_on(@room) != :none unless @page

    sight == "draft" ? viewer.sight_of(@page) == :draft : viewer.sees?(@page)
  end

  # Whoever is named in what was said learns of it by that alone.
  def addressed
    return [] if @happening.act == "addressed" || !@happening.details["remark"]

    Person.where(public_id: Zuhause::Talk::Words.people(Remark.find_by(public_id: @happening.details["remark"])&.body.to_s)).ids
  end

  def named
    Person.where(public_id: @happening.details["people"]).ids
  end

  # Who said what was answered, and who has answered there already.
  def answered
    said = Remark.find_by(public_id: @happening.details["remark"]) or return []
    first = said.first
    return [ first.author_id, *first.replies.kept.pluck(:author_id) ].compact if @happening.act == "replied"

    [ @happening.act == "answer_chosen" ? first.answer&.author_id : first.author_id ].compact
  end

  # Whoever is to look it over; or, once they have, whoever asked.
  def review
    open = @page.review or return []
    return [ open.asker_id ].compact unless @happening.act == "review_asked"

    rule = @page.review_rule
    return [] unless rule && open.open?

    @page.reviewers(rule, open).able.map(&:id) - [ open.asker_id ] - @page.review_standing(rule: rule, review: open).held
  end

  def access
    kind, id = @happening.details["holder"].to_s.split(":", 2)
    kind == "person" ? Person.where(public_id: id).ids : []
  end

  # The people of a group, or who reads in a room.
  def notice
    kind, id = @happening.details["to"].to_s.split(":", 2)
    return Group.find_by(public_id: id)&.people&.ids.to_a if kind == "group"

    kind == "room" ? Room.find_by(public_id: id)&.audience&.levels.to_h.keys.map(&:id) : []
  end

  def keeping
    keepers = place.audience.keepers.map(&:id)
    @page ? keepers - Follow.stoppers_of(@page) : keepers
  end

  def following
    @page ? Follow.followers_of(@page) : Follow.followers_of_room(@room)
  end
end
