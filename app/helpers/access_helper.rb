module AccessHelper
  # Since when, by whom and from where a page is open to guests or anyone, as far as the viewer sees that place.
  #
  # @param told [OpenedSince::Told]
  def opened_words(told)
    place = told.place if told.place.is_a?(Room) ? viewer.level_on(told.place) != :none : viewer.sees?(told.place)
    who = told.by ? t("page_lists.opened.by", name: told.by.name) : nil
    where = place && t("page_lists.opened.through", name: place.is_a?(Room) ? place.name : place.title)
    [ t("page_lists.opened.since", day: short_day(told.at)), who, where ].compact.join(", ")
  end

  # How many readers of a page would not see what it leads to.
  #
  # @param row [ShutTargets::Row]
  def shut_words(row)
    [ (t("accesses.shut.people", count: row.readers) if row.readers.positive?), (t("accesses.shut.outside") if row.outside && row.readers.zero?) ].compact.to_sentence
  end

  # @param grant [AccessGrant]
  def holder_words(grant)
    case grant.holder
    when "person" then grant.person.name
    when "group" then t("access.group", name: grant.group.name)
    else t("access.holders.#{grant.holder}")
    end
  end

  # Why somebody has their level, naming only what the asker sees.
  #
  # @param judgement [Zuhause::Access::Judgement]
  def why_words(judgement, panel)
    place = place_words(judgement.place.id, panel)
    why = t("access.why.#{judgement.grant.holder.kind}", place: place, group: @group_names[judgement.group])
    judgement.grant.ends_on ? "#{why}, #{t("access.until", day: short_day(judgement.grant.ends_on))}" : why
  end

  # @param grant [Zuhause::Access::Grant] through which somebody can open something
  def reach_words(grant)
    holder = grant.holder
    words = t("people.reaches.show.through.#{holder.kind}", group: holder.kind == :group ? @group_names.fetch(holder.id) { t("happenings.somebody") } : nil)
    grant.ends_on ? "#{words}, #{t("access.until", day: short_day(grant.ends_on))}" : words
  end

  # What those who can read a page do: one reads, several read, I can read it.
  #
  # @param facts [PageFacts]
  def reading_words(facts)
    what = facts.page.published? ? "read" : "draft_only"
    return t("facts.#{what == "read" ? "read_me" : "draft_me"}") if facts.audience == :only_me

    t("facts.#{what}", count: facts.audience == 1 ? 1 : 2)
  end

  # @param row [AccessPanel::Row]
  def check_words(row, panel)
    return t("accesses.show.check_none", name: row.person.name) if row.level == :none

    t("accesses.show.check_level", name: row.person.name, level: t("access.levels.#{row.level}"), why: why_words(row.judgement, panel))
  end

  # @param missed [Zuhause::Access::Missed]
  def missed_words(row, missed, panel)
    t("accesses.show.check_missed", name: row.person.name, level: t("access.levels.#{missed.level}"), holder: core_holder_words(missed.grant.holder, panel),
                                    place: place_words(missed.place.id, panel), reason: t("accesses.show.reasons.#{missed.reason}"))
  end

  def place_words(place, panel)
    return t("access.here") if place == panel.place

    panel.name_of(place) || t("access.place_above")
  end

  # @param holder [Zuhause::Access::Holder]
  def core_holder_words(holder, panel)
    case holder.kind
    when :person then panel.name_of_holder(holder) || t("happenings.somebody")
    when :group then t("access.group", name: panel.name_of_holder(holder) || t("happenings.somebody"))
    else t("access.holders.#{holder.kind}")
    end
  end

  def level_options(selected)
    options_for_select(Viewer::LEVELS.keys.map { |level| [ t("access.levels.#{level}"), level ] }, selected)
  end
end
