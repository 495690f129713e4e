# One list of the maintenance desk: what is in it, in the order in which it is worked through, and what is told of each.
class DeskList
  # @param name [Symbol] of Desk::LISTS
  # @param scope [DeskScope]
  # @param care [Care] of the same scope
  # @return [DeskList]
  def self.of(name, scope, care)
    { reviews: OpenReviews, questions: Remarks, proposals: Remarks, notes: Remarks, unhelped: Unhelped, scheduled: Scheduled, unfinished: Unfinished }.fetch(name, Pages).new(name, scope, care)
  end

  attr_reader :name

  delegate :viewer, to: :@scope

  def initialize(name, scope, care)
    @name, @scope, @care = name, scope, care
  end

  # @return [Integer]
  def count
    @count ||= all.unscope(:order).count
  end

  # @return [Array<ApplicationRecord>]
  def items(limit:, offset: 0)
    in_order.limit(limit).offset(offset).to_a
  end

  # @return [Symbol] by which it is shown
  def kind
    self.class::KIND
  end

  # @return [Page] of which an item is
  def page_of(item)
    item.is_a?(Page) ? item : item.page
  end

  # @return [Time, Date, nil] the day that is told of an item
  def day_of(item)
    item.created_at
  end

  # @return [String] what is told of an item beside its page
  def words_of(_item)
    ""
  end

  private

  def scoped(pages)
    @scope.pages ? pages.where(id: @scope.pages.select(:id)) : pages
  end

  # Pages with a reason to look at them, see Care.
  class Pages < DeskList
    KIND = :page
    # Of a list, the reasons that bring a page into it.
    REASONS = { overdue: %i[overdue], outdated: %i[outdated], passed: %i[passed], changed: %i[sources inserts], unread: %i[unread], unkept: %i[unkept] }.freeze

    # @param items [Array<Page>]
    # @return [Hash{Integer=>Zuhause::Freshness::Health}]
    def healths(items)
      @healths ||= Care.new(viewer, pages: Page.where(id: items.map(&:id))).healths(items)
    end

    def day_of(page)
      name == :near || name == :overdue ? page.check_date&.due_on : page.edition.published_at
    end

    private

    def all
      @care.pages_with(name)
    end

    def in_order
      all.includes(:room, :edition, :check_date, out_of_date_mark: :see).left_joins(:check_date).order(Arel.sql("check_dates.due_on IS NULL"), "check_dates.due_on", Arel.sql("pages.title COLLATE NOCASE"), "pages.id")
    end
  end

  # Questions without an answer, proposed words and notes that are open.
  class Remarks < DeskList
    KIND = :remark
    KINDS = { questions: "question", proposals: "proposal", notes: "note" }.freeze

    # @param scope [DeskScope]
    # @return [Hash{Symbol=>Integer}] of each of these lists
    def self.counts(scope)
      said = new(:notes, scope, nil).said
      counted = said.where(kind: "question", standing: "open").or(said.where(kind: Remark::ON_TEXT).open_still).group(:kind).count
      KINDS.transform_values { |kind| counted.fetch(kind, 0) }
    end

    # @param items [Array<Remark>]
    # @return [ToldRemarks]
    def told(items)
      @told ||= ToldRemarks.new(items, viewer, replies: false)
    end

    # @return [ActiveRecord::Relation<Remark>] of all kinds
    def said
      return Remark.none unless viewer.hears?

      all = Remark.kept.firsts.joins(:page)
      all = all.where(page_id: @scope.pages.select(:id)) if @scope.pages
      all.merge(Page.in_care).where(Remark.arel_table[:draft].eq(false).and(viewer.seeing(:edition)).or(viewer.seeing(:draft)))
    end

    private

    def all
      found = said.of_kind(KINDS.fetch(name))
      name == :questions ? found.where(standing: "open") : found.open_still
    end

    def in_order
      all.preload(:author, page: %i[room edition]).order(:created_at, :id)
    end
  end

  # Readers whom a page did not help, for those who keep it.
  class Unhelped < DeskList
    KIND = :answer

    def words_of(answer)
      answer.words
    end

    private

    def all
      HelpAnswer.waiting.where(page_id: scoped(Page.kept.in_care.giving(viewer, :keep)).select(:id))
    end

    def in_order
      all.includes(:person, page: %i[room edition]).order(:created_at, :id)
    end
  end

  # Drafts that wait to be looked over: those in scope, and of one's own all that wait for oneself.
  class OpenReviews < DeskList
    KIND = :review

    def day_of(review)
      review.asked_at
    end

    def words_of(review)
      review.note
    end

    private

    def all
      found = Review.open_still.where(page_id: scoped(Page.drafts_seen_by(viewer).in_care).select(:id))
      @scope.of == "mine" ? found.or(Review.open_still.where(id: viewer.reviews_waiting.map(&:first))) : found
    end

    def in_order
      all.includes(:asker, page: %i[room draft]).order(:asked_at, :id)
    end
  end

  # What is set to be published by itself.
  class Scheduled < DeskList
    KIND = :timed

    def day_of(timed)
      timed.due_at
    end

    def words_of(timed)
      timed.note
    end

    private

    def all
      TimedPublication.where(page_id: scoped(Page.kept.giving(viewer, :write).in_care).select(:id))
    end

    def in_order
      all.includes(:person, page: %i[room draft]).soonest_first
    end
  end

  # Drafts that nobody has touched for a while, and that neither wait to be looked over nor for their time.
  class Unfinished < DeskList
    KIND = :draft
    LEFT = 14 # days

    def day_of(page)
      page.draft.created_at
    end

    private

    def all
      scoped(Page.kept.giving(viewer, :write).in_care).unpublished.where(drafts: { created_at: ...LEFT.days.ago })
        .where.not(id: Review.open_still.select(:page_id)).where.not(id: TimedPublication.select(:page_id))
    end

    def in_order
      all.includes(:room, :edition, draft: :author).order("drafts.created_at", "pages.id")
    end
  end
end
