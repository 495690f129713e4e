# How many open reviews stand, worked out in a few queries for all.
class ReviewStandings
  # @param reviews [ActiveRecord::Relation<Review>] open ones
  def initialize(reviews)
    @reviews = reviews
  end

  # @return [Zuhause::Review::Standing, nil] nil where nobody has approved anything yet
  def of(id, page_id)
    return unless approvals.key?(id)

    kept = Zuhause::Review::Standing::Kept.new(closed: nil, approvals: approvals[id])
    Zuhause::Review::Standing.new(kept, rules: rules[page_id]&.to_rules, digest: drafts.fetch(page_id), writers: writers.fetch(page_id, []))
  end

  # @return [Hash{Integer=>ReviewRule}] by the page's id
  def rules
    @rules ||= ReviewRule.nearest(Page.where(id: @reviews.select(:page_id)).select(:id, :ancestry, :room_id).to_a)
  end

  private

  # @return [Hash{Integer=>Array<Zuhause::Review::Approval>}] by the review's id
  def approvals
    @approvals ||= begin
      given = ReviewApproval.where(review: @reviews).includes(:person).to_a
      groups = Membership.where(person_id: given.map(&:right_id)).pluck(:person_id, :group_id).group_by(&:first)
      given.group_by(&:review_id).transform_values { |each| each.map { |one| one.to_approval(groups.fetch(one.right_id, []).map(&:last)) } }
    end
  end

  # Pages of which somebody has approved the draft: what it says, and whose changes it holds.
  def approved_pages
    Review.where(id: approvals.keys).select(:page_id)
  end

  def drafts
    @drafts ||= Page.where(id: approved_pages).joins(:draft).pluck(:id, "drafts.title", "drafts.digest").to_h { |id, title, digest| [ id, State.identity(title, digest) ] }
  end

  def writers
    @writers ||= Changer.where(page_id: approved_pages).pluck(:page_id, :person_id).group_by(&:first).transform_values { |pairs| pairs.map(&:last) }
  end
end
