# How a page stands, for the screen that tells and changes it.
class CheckStanding
  MOST = 20 # of what was said before

  attr_reader :page

  def initialize(page, viewer)
    @page, @viewer = page, viewer
  end

  # @return [CheckDate]
  def date
    page.check_date
  end

  # @return [CheckRule, nil] that holds
  def rule
    return @rule if defined?(@rule)

    @rule = CheckRule.for(page)
  end

  # @return [Page, Room, nil] that the rule comes from, where the viewer may know of it
  def rule_from
    place = rule&.place
    place if place.is_a?(Room) || (place && @viewer.sees?(place))
  end

  # @return [Zuhause::Freshness::Health, nil] nil for what nobody has to see to
  def health
    care = Care.new(@viewer, pages: Page.where(id: page.id))
    care.health(page) if care.pages.exists?
  end

  # @return [Array<Check>]
  def checks
    @checks ||= page.checks.newest_first.includes(:person).limit(MOST).to_a
  end

  # @return [Check, nil] that can be taken back
  def newest
    checks.first if checks.first&.newest?
  end

  # @return [Hash{Boolean=>Integer}] readers whom it helped, and whom it did not, since somebody confirmed it
  def helped
    @helped ||= page.help_answers.where(created_at: date.base_at..).group(:helped).count
  end

  # @return [Array<HelpAnswer>] of those whom it did not help, for whoever keeps it
  def unhelped
    HelpAnswer.waiting.where(page: page).includes(:person).order(:created_at, :id).limit(MOST).to_a
  end
end
