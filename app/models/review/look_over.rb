# The screen on which a page's draft is looked over: how its review stands, and what whoever looks may do about it.
class LookOver
  attr_reader :page, :rule, :review

  # @param page [Page]
  # @param viewer [Viewer]
  def initialize(page, viewer)
    @page, @viewer = page, viewer
    @rule, @review = page.review_rule, page.review
  end

  def standing
    @standing ||= page.review_standing(rule: rule, review: review)
  end

  # @return [Array<ReviewApproval>]
  def approvals
    @approvals ||= review ? review.approvals.includes(:person, :authority).order(:created_at).to_a : []
  end

  # @return [Boolean] whether that approval counts for the draft as it is
  def holds?(approval)
    standing.held.include?(approval.person_id)
  end

  # @param act [Symbol] see Zuhause::Review::Table
  def may?(act)
    @roles ||= page.review_roles(@viewer.person, rule: rule, review: review, level: @viewer.level_on(page))
    Zuhause::Review::Table.may?(standing.state, act, @roles)
  end

  # @return [Boolean] whether an approval of theirs would count, and has not been given
  def may_approve?
    may?(:approve) && !right.nil? && !standing.held.include?(@viewer.person.id)
  end

  def may_unapprove?
    may?(:unapprove) && approvals.any? { |approval| approval.person_id == @viewer.person.id }
  end

  # @return [Person, nil] somebody who is away, in whose place they approve
  def in_place_of
    Person.find(right) if right && right != @viewer.person.id
  end

  # @return [StateComparison, nil] what changed against what is published
  def comparison
    return unless page.published? && page.unpublished_changes?

    @comparison ||= StateComparison.new(page, @viewer, from: page.edition.number.to_s, to: "draft")
  end

  private

  # @return [Integer, nil]
  def right
    return @right if defined?(@right)

    @right = rule && page.reviewers(rule, review).right_of(@viewer.person)
  end
end
