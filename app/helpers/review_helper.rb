# How reviews stand, in words.
module ReviewHelper
  # @param standing [Zuhause::Review::Standing]
  # @param review [Review, nil]
  def review_words(standing, review)
    words = t("reviews.states.#{standing.state}", count: standing.missing, who: review&.closed_by&.name || t("happenings.somebody"))
    standing.stuck? ? "#{words} #{t("reviews.stuck")}" : words
  end
end
