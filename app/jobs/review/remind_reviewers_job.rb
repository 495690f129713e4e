# Reminds those who have been asked to look a page over and have not, each time the days have passed that its place sets.
class RemindReviewersJob < ActiveJob::Base
  queue_as :now

  def perform(now: Time.current)
    reviews = Review.open_still.where(page: Page.kept).includes(:page).to_a
    rules = ReviewRule.nearest(reviews.map(&:page))
    reviews.each { |review| remind(review, now) if due?(review, rules[review.page_id], now) }
  end

  private

  def due?(review, rule, now)
    rule&.remind_after && (review.reminded_at || review.asked_at) <= now - rule.remind_after.days
  end

  def remind(review, now)
    TellsReviewers.remind(review.page, review)
    review.update!(reminded_at: now)
  end
end
