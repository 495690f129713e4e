# How reviews stand, in words.
module ReviewHelper
  # @param standing [Zuhause::Review::Standing]
  # @param review [Review, nil]
  def review_words(standing, review)
    words = t("reviews.states.#{standing.state}", count: standing.missing, who: review&.closed_by&.name || t("happenings.somebody"))
    standing.stuck? ? "#{words} #{t("reviews.stuck")}" : words
  end

  # @return [String, nil] how what one asked for stands, where it is more than waiting
  def asked_state(queue, review)
    timed = queue.timed(review)
    return t("reviews.index.timed", time: l(timed.due_at.in_time_zone, format: :exact)) if timed

    t("reviews.index.approved") if queue.approved?(review)
  end

  # @param holds [Boolean] whether it counts for the draft as it is
  def approval_words(approval, holds:)
    form = !holds ? :approved_before_html : approval.authority ? :approved_for_html : :approved_html
    t("pages.reviews.show.#{form}", name: approval.person.name, other: approval.authority&.name, day: day(approval.created_at))
  end

  # @param names [Array<String>] of those who look a page over
  def review_facts(names)
    names.any? ? t("facts.under_review_by", names: names.first(2).to_sentence) : t("facts.under_review")
  end

  # @param timed [TimedPublication]
  def timed_words(timed)
    timed.held_up ? t("facts.held_up") : t("facts.timed", time: l(timed.due_at.in_time_zone, format: :day_and_clock))
  end

  # What moving pages changes of how they are looked over before they are published.
  #
  # @param above [Room, Page] where they are to stand
  # @return [Array<String>]
  def review_sentences(pages, above)
    there = ReviewRule.over(above)
    own, here = ReviewRule.where(page: pages).pluck(:page_id), ReviewRule.nearest(pages)
    changed = pages.reject { |page| own.include?(page.id) || here[page.id] == there }
    return [] if changed.empty?

    [ there ? t("reviews.moved.asked", count: changed.size, names: approver_names(there).to_sentence.presence || t("happenings.somebody")) : t("reviews.moved.free", count: changed.size) ]
  end

  # @return [Array<String>] of groups and people who may approve, of those the viewer may know
  def approver_names(rule)
    rule.approvers.includes(:person, :group).filter_map { |approver| approver.group ? (approver.group.name if viewer.active_member?) : (approver.person.name if viewer.meets?(approver.person)) }
  end

  # What changing a page's draft takes back, said before the first key.
  #
  # @return [String, nil]
  def review_warning(page)
    timed, review = page.timed_publication, page.review
    held = review&.open? ? page.review_standing(review: review).held : []
    names = Person.where(id: held).order(:name).pluck(:name)
    return t("reviews.warning.approved", names: names.to_sentence, count: names.size) if names.any?
    return t("reviews.warning.asked") if review&.open?

    t("reviews.warning.timed", time: l(timed.due_at.in_time_zone, format: :exact)) if timed && !timed.held_up
  end
end
