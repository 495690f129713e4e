# What the facts line tells: who can read a page, who keeps it, which edition it is and since when.
class PageFacts
  attr_reader :page

  delegate :writers, to: :audience_of_page

  def initialize(page, viewer)
    @page = page
    @viewer = viewer
  end

  # @return [Symbol, Integer] see Zuhause::Access::Audience#name
  def audience
    audience_of_page.name_for(@viewer)
  end

  # @return [Array<String>] names of keepers, for who is signed in
  def keepers
    @viewer.signed_in? ? audience_of_page.keepers : []
  end

  # @return [Array<String>] names of groups that keep it, of those the viewer may know of
  def keeping_groups
    audience_of_page.keeping_groups(@viewer)
  end

  def edition
    page.edition
  end

  # @return [CheckDate, nil] of what is in use
  def check_date
    page.check_date if edition && !page.room.archived?
  end

  # @return [OutOfDateMark, nil]
  def out_of_date
    page.out_of_date_mark if edition
  end

  # @return [Review, nil] by which the edition was approved
  def review
    return @review if defined?(@review)

    @review = (Review.includes(approvals: :person).find_by(edition_id: edition.id) if edition&.reviewed?)
  end

  # @return [Array<String>] names of those who approved it, of those the viewer meets
  def approved_by
    review ? review.approvals.map(&:person).select { |person| @viewer.meets?(person) }.map(&:name) : []
  end

  # @return [Boolean] whether there is something unpublished that the viewer may see
  def changed?
    @viewer.sight_of(page) == :draft && page.unpublished_changes?
  end

  # @return [Boolean] whether what is unpublished is being looked over
  def under_review?
    changed? && newest_review&.open? == true
  end

  # @return [Array<String>] names of those who look it over: who was asked by name, else the groups and people of the rules
  def reviewing
    return [] unless under_review?
    return newest_review.invited.select { |person| @viewer.meets?(person) }.map(&:name) if newest_review.invited.any?

    approvers = page.review_rule&.approvers.to_a
    ActiveRecord::Associations::Preloader.new(records: approvers, associations: %i[group person]).call
    approvers.filter_map { |approver| approver.group ? (approver.group.name if @viewer.active_member?) : (approver.person.name if @viewer.meets?(approver.person)) }
  end

  # @return [TimedPublication, nil] when what is unpublished is to be published, for who sees that
  def timed
    page.timed_publication if changed?
  end

  private

  def newest_review
    @newest_review ||= page.review
  end

  def audience_of_page
    @audience_of_page ||= ToldAudience.of(page, @viewer)
  end
end
