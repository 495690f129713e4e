# Those who are asked to look a page over, and have not, are reminded by mail, if they see what they are to look at then.
module TellsReviewers
  # @param page [Page] with an open review
  def self.remind(page, review)
    rule, asker = page.review_rule, review.asker
    return if rule.nil? || asker.nil? || page.binned?

    done = page.review_standing(rule: rule, review: review).held
    page.reviewers(rule, review).able.each do |person|
      next if person == asker || done.include?(person.id) || Viewer.new(person).sight_of(page) != :draft

      HouseMailer.review(person, :reminded, page, by: asker, note: review.note).deliver_now
    end
  end
end
