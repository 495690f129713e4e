module RoomPatternsHelper
  # @param parts [Boolean] whether its pages are named too
  # @return [String] what a pattern gives, and to whom
  def pattern_words(pattern, parts: true)
    gives = [ t("room_patterns.gives.team", level: t("access.levels.#{pattern.team}")) ]
    gives.unshift(t("room_patterns.gives.everyone", level: t("access.levels.#{pattern.everyone}"))) unless pattern.everyone == "none"
    shut = pattern.parts.select(&:shut).map { |part| t("room_patterns.quoted", title: part.title_for(nil)) } if parts
    gives << t("room_patterns.gives.shut", titles: shut.to_sentence) if shut.present?
    gives.join(" · ")
  end
end
