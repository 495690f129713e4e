module AccessHelper
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
    case judgement.grant.holder.kind
    when :group then t("access.why.group", place: place, group: @group_names[judgement.group])
    else t("access.why.#{judgement.grant.holder.kind}", place: place)
    end
  end

  def place_words(place, panel)
    return t("access.here") if place == panel.place

    panel.name_of(place) || t("access.place_above")
  end

  def level_options(selected)
    options_for_select(Viewer::LEVELS.keys.map { |level| [ t("access.levels.#{level}"), level ] }, selected)
  end
end
