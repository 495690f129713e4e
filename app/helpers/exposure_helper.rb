module ExposureHelper
  NAMED = 4

  # @param exposure [Zuhause::Access::Exposure]
  # @return [Array<String>] a sentence for what it opens, what it closes, what it changes besides, and what is withheld
  def exposure_sentences(exposure)
    withheld = t("exposure.withheld", count: exposure.withheld) if exposure.withheld.positive?
    sentences = { opened: exposure.opened, closed: exposure.closed, changed: exposure.changed }.filter_map do |kind, shifts|
      next if shifts.empty?

      told = kind == :changed ? %i[raised lowered].max_by { |change| exposure.pages(change) } : kind
      t("exposure.#{kind}", people: exposed_people(shifts), pages: exposed_pages(exposure, told))
    end
    [ *sentences, withheld ].compact
  end

  # What a button says that opens something to people by name.
  #
  # @param holders [Array<Zuhause::Access::Holder>] all of them people
  # @param exposure [Zuhause::Access::Exposure] in which people only gain
  def opening_words(holders, level, exposure)
    act = exposure.opened.any? ? :opened : :raised
    t("access_grants.direct.#{act}", people: holders.map { |holder| holder_title(holder) }.to_sentence, level: t("access.levels.#{level}"), pages: exposed_pages(exposure, act))
  end

  # @param ends_on [Date] the last day of something
  def ending_words(ends_on)
    t("access_grants.until", day: l(ends_on, format: :day_and_year))
  end

  # What is about to be done, to what, for whom and where to.
  #
  # @param doing [Hash] act: one of accesses.confirm.doing; of it what it needs: place, to, holders, level, name
  def doing_words(doing)
    level = doing[:level] && doing[:level] != :none ? t("access.levels.#{doing[:level]}") : nil
    t("accesses.confirm.doing.#{doing[:act]}", what: doing[:place] && place_title(doing[:place]), to: doing[:to] && place_title(doing[:to]), holder: doing[:holders]&.map { |holder| holder_title(holder) }&.to_sentence, level: level, name: doing[:name], count: doing[:count])
  end

  private

  def place_title(place)
    place.is_a?(Room) ? place.name : t("accesses.confirm.page", title: place.title)
  end

  def holder_title(holder)
    case holder.kind
    when :person then Person.find(holder.id).name
    when :group then t("access.group", name: Group.find(holder.id).name)
    else t("access.holders.#{holder.kind}")
    end
  end

  # Drafts are told from what is published.
  def exposed_pages(exposure, kind)
    pages, drafts = exposure.pages(kind), exposure.drafts(kind)
    words = t("exposure.pages", count: pages)
    drafts.zero? ? words : t("exposure.#{pages == drafts ? "all_drafts" : "with_drafts"}", pages: words, count: drafts)
  end

  # Members are told names, others how many.
  def exposed_people(shifts)
    ids, outside = shifts.map { |shift| shift.person.id }.partition(&:itself)
    count = t("audience.people", count: ids.size) if ids.any?
    names = Person.where(id: ids).by_name.limit(NAMED).pluck(:name) if viewer.active_member?
    names << t("exposure.more", count: ids.size - NAMED) if names && ids.size > NAMED
    [ names.present? ? "#{count} (#{names.to_sentence})" : count, (t("exposure.outside") unless outside.empty?) ].compact.to_sentence
  end
end
