# Those who are asked to look a page over learn of it by mail, if they see what they are to look at when they are told.
module TellsReviewers
  class << self
    def tell(happening)
      page = happening.page or return
      review = page.review
      write(page, review, :asked) if review&.open?
    end

    # @param act [Symbol] :asked or :reminded
    def write(page, review, act)
      rule = page.review_rule
      asker = review.asker
      return if rule.nil? || asker.nil? || page.binned?

      done = page.review_standing(rule: rule, review: review).held
      page.reviewers(rule, review).able.each do |person|
        next if person == asker || done.include?(person.id) || Viewer.new(person).sight_of(page) != :draft

        HouseMailer.review(person, act, page, by: asker, note: review.note).deliver_now
      end
    end
  end
end
