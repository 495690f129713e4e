module HappeningsHelper
  # What happened, in a sentence.
  #
  # @param reader [HappeningReader]
  # @param here [Boolean] whether it is told where it happened, so that its title goes without saying
  def happening_words(happening, reader, here: false)
    details = happening.details
    level = details["level"].presence&.then { |name| t("access.levels.#{name}") unless name == "none" }
    level = [ level, t("access.until", day: short_day(Date.iso8601(details["ends_on"]))) ].join(", ") if details["ends_on"]
    said = { who: who_words(happening), title: title_words(happening, reader, here), level: level, edition: details["edition"], role: role_words(details),
             holder: details["holder"]&.then { |holder| reader.holder(holder) }, people: Array(details["people"]).map { |id| reader.person(id) }.to_sentence }
    [ t(happening_key(happening), **said), *count_words(details), *member_words(details, reader) ].join(" ")
  end

  # @return [String] the name of who did it
  def who_words(happening)
    happening.person&.name || t(happening.who.empty? ? "happenings.the_house" : "happenings.somebody")
  end

  private

  # What it is called may hang on what was done: a tick or its end.
  def happening_key(happening)
    return "happenings.acts.unticked" if happening.act == "ticked" && !happening.details["done"]

    "happenings.acts.#{happening.act}"
  end

  def title_words(happening, reader, here)
    return t("happenings.here.#{happening.subject.start_with?("room") ? "room" : "page"}") if here

    title = reader.title(happening)
    return t("happenings.closed.#{happening.subject.start_with?("room") ? "room" : "page"}") unless title

    return t("happenings.room_title", title: title) if happening.subject.start_with?("room")

    %i[page place group].include?(happening.kind.about) ? t("happenings.title", title: title) : title
  end

  def role_words(details)
    [ (t("people.roles.#{details["role"]}") if details["role"]), (t("people.offices.#{details["office"]}") if details["office"] && details["office"] != "none") ].compact.join(", ")
  end

  def count_words(details)
    { "opened" => "opened", "closed" => "closed_to" }.filter_map { |kind, words| t("happenings.#{words}", count: details[kind]) if details[kind].to_i.positive? }
  end

  def member_words(details, reader)
    %w[joined left].filter_map { |kind| t("happenings.#{kind}", names: details[kind].map { |id| reader.person(id) }.to_sentence) if details[kind].present? }
  end
end
