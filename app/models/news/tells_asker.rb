# Who asked for a review learns by mail that it is approved, or sent back.
module TellsAsker
  def self.tell(happening)
    page = happening.page or return
    review = page.review or return
    asker, act = review.asker, happening.act.delete_prefix("review_").to_sym
    return if asker.nil? || asker.suspended? || asker == happening.person || happening.person.nil? || Viewer.new(asker).sight_of(page) != :draft
    return if act == :approved && page.review_standing(review: review).state == :asked # more are wanted

    HouseMailer.review(asker, act, page, by: happening.person, note: act == :sent_back ? review.reason : "").deliver_now
  end
end
