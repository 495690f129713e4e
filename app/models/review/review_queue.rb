# What waits to be looked over: by one person, the longest waiting first, what they themselves are named for before what any of
# their groups may do; what they asked for; and what waits in the pages that they keep.
class ReviewQueue
  MOST = 50 # of what one asked for, and of what one keeps

  # @param viewer [Viewer]
  # @return [Array<Array(Integer, Boolean)>] ids of reviews that wait for the viewer, in order, each with whether they are asked
  #   for it by name, or in somebody's place, and not through a group alone
  def self.order(viewer)
    Ordering.new(viewer).order
  end

  # @param viewer [Viewer]
  def initialize(viewer)
    @viewer = viewer
  end

  # @return [Integer]
  def count
    @viewer.reviews_waiting.size
  end

  # @return [Array<Review>]
  def waiting(offset: 0, limit: 40)
    ids = (@viewer.reviews_waiting[offset, limit] || []).map(&:first)
    told.where(id: ids).in_order_of(:id, ids).to_a
  end

  def mine?(review)
    (@mine ||= @viewer.reviews_waiting.to_h)[review.id]
  end

  # @return [Array<Review>]
  def asked
    @asked ||= oldest(told.where(asker: @viewer.person)).select { |review| @viewer.sight_of(review.page) == :draft }
  end

  # @return [Boolean] whether it has what it needs, and waits for somebody to publish it
  def approved?(review)
    asked_standings.of(review.id, review.page_id)&.state == :approved
  end

  # @return [TimedPublication, nil] when it is to be published
  def timed(review)
    (@timed ||= TimedPublication.where(page_id: asked.map(&:page_id)).index_by(&:page_id))[review.page_id]
  end

  # @return [Array<Review>] where the viewer is the one who answers for the page, and neither looks it over nor asked for it
  def kept
    @kept ||= oldest(told.where(page: Page.kept.giving(@viewer, :keep)).where.not(page_id: @viewer.reviewed_ids).where.not(asker: @viewer.person))
  end

  private

  def asked_standings
    @asked_standings ||= ReviewStandings.new(Review.where(id: asked.map(&:id)))
  end

  def told
    Review.open_still.includes(:asker, page: %i[room draft])
  end

  def oldest(reviews)
    reviews.order(:asked_at, :id).limit(MOST).to_a
  end

  # Works out what waits, of all that the viewer looks over, in a few queries.
  class Ordering
    def initialize(viewer)
      @person, @page_ids = viewer.person, viewer.reviewed_ids
      @standings = ReviewStandings.new(open_still)
    end

    def order
      rows = open_still.pluck(:id, :page_id, :asked_at).select { |id, page, _at| wanted?(id, page) }
      rows.sort_by { |id, page, at| [ mine.include?(page) ? 0 : 1, at, id ] }.map { |id, page, _at| [ id, mine.include?(page) ] }
    end

    private

    def open_still
      Review.open_still.where(page_id: @page_ids)
    end

    # Whether an approval of theirs is wanted, and would count: none is where enough have approved the draft as it is, they
    # themselves among them, or where it holds changes of theirs.
    def wanted?(id, page)
      return false if own_changes.include?(page) && !@standings.rules[page].own

      standing = @standings.of(id, page)
      standing.nil? || (standing.state == :asked && !standing.held.include?(@person.id))
    end

    def own_changes
      @own_changes ||= Changer.where(person: @person, page_id: @page_ids).pluck(:page_id).to_set
    end

    # @return [Set<Integer>] ids of pages
    def mine
      @mine ||= begin
        people = [ @person.id, *Absence.stood_in_for(@person.id).map(&:id) ]
        invited = ReviewInvitation.where(person_id: people, review: open_still).joins(:review).pluck("reviews.page_id")
        (invited | @standings.rules.select { |_page, rule| rule.approvers.any? { |approver| people.include?(approver.person_id) } }.keys).to_set
      end
    end
  end
  private_constant :Ordering
end
