# What somebody has been told, in sentences, on screens and in mails.
class NewsWords
  # @param viewer [Viewer] whose news they are
  def initialize(viewer)
    @viewer = viewer
  end

  # @param group [NewsList::Group]
  # @param title [Boolean] whether the place is named, or goes without saying
  # @return [String] "Nils Abert and 2 others changed “Bunkering” 4 times"
  def line(group, title: false)
    did = group.acts.each_with_index.map do |(act, count), i|
      name = name_of(group.place) if title && i.zero?
      I18n.t("news.acts.#{act}", count: count, title: name ? I18n.t("news.quoted", title: name) : I18n.t("news.it"), on: name ? I18n.t("news.on", title: name) : "")
    end
    "#{who(group)} #{did.to_sentence}"
  end

  # @return [Array<String>] what was said with the changes, the latest first
  def notes(group)
    group.tellings.filter_map { |telling| telling.happening.details["note"].presence || telling.happening.details["words"].presence }.uniq.first(3)
  end

  # @return [String] why one is told
  def why(group)
    I18n.t("news.why.#{group.newest.reason}")
  end

  # @return [String] what the address at the end of a mail stops
  def stopped(groups)
    I18n.t("news.stopped.#{groups.one? && !groups.first.personal? ? "place" : "reason"}")
  end

  def name_of(place)
    place.is_a?(Room) ? place.name : place.title
  end

  private

  def who(group)
    group.actors > 1 ? I18n.t("news.others", count: group.actors - 1, name: name(group.actor)) : name(group.actor, by_itself: group.newest.happening.who.empty?)
  end

  # @param by_itself [Boolean] whether the house did it
  def name(person, by_itself: false)
    return I18n.t("happenings.the_house") if person.nil? && by_itself

    person && @viewer.meets?(person) ? person.name : I18n.t("happenings.somebody")
  end
end
