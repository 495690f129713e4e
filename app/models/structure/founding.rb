# Pages that come by the heap, each with its text and, where that is wanted, its first edition: just what Page.begin, Page#save_draft
# and Page#publish write, in a few statements for all. Nobody sees them before the work is done for which they are made.
class Founding
  # +above+: a Room, a Page, or the plan of one that is made along with it. +state+: what it says, judged already; nil for an empty page.
  # +published+: unless a review is asked for first, or the text holds what is to be settled.
  Plan = Struct.new(:title, :above, :public_id, :language, :state, :published, keyword_init: true)
  Founded = Struct.new(:page, :drafts, :edition) do
    # @return [Draft] the newest
    def draft
      drafts.last
    end
  end

  # What follows, in this order: each is told by +follow_founding(founded)+.
  FOLLOWED_BY = %w[PageFile Section CheckDate TextDate Passage Reference Task EditionWriter Changer Attribution KnownName Promise].freeze
  # What else follows a draft or an edition, and has nothing of a page that nobody has seen; names and parts that pages lead to are
  # looked for once all are there.
  NOT_YET = %w[PartsLedTo Dispute RemarkPlace CountedPage Forwarding Remark Review TimedPublication Follow UnlinkedName].freeze

  def initialize(by:, at:)
    @by, @at = by, at
  end

  # Within a transaction.
  #
  # @param plans [Array<Plan>] what stands above comes first
  # @yieldparam pages [Array<Page>] that are there; what they show is to be kept on them now
  # @return [Array<Page>]
  # @raise [ActiveRecord::RecordInvalid] if a title will not do
  def found(plans)
    return [] if plans.empty?

    founded = lay_out(plans)
    insert(founded)
    yield founded.map(&:page) if block_given?
    FOLLOWED_BY.each { |follower| follower.constantize.follow_founding(founded) }
    founded.map(&:page)
  end

  private

  # All are known by number before they are written.
  def lay_out(plans)
    pages = pages(plans)
    asked_for = ReviewRule.nearest(pages)
    drafts, editions = Draft.numbers(plans.sum { |plan| plan.state ? 2 : 1 }), Edition.numbers(plans.size)
    plans.zip(pages).map do |plan, page|
      made = [ draft(page, begun(page), drafts.shift), *(draft(page, plan.state, drafts.shift, version: 2) if plan.state) ]
      edition = edition(page, made.last, editions.shift) if plan.published && asked_for[page.id].nil? && Zuhause::Merging.open_in(made.last.document).zero?
      page.assign_attributes(draft_id: made.last.id, edition_id: edition&.id)
      Founded.new(page, made, edition)
    end
  end

  def pages(plans)
    numbers, places = Page.numbers(plans.size), {}
    plans.each { |plan| places[plan] = page(plan, places[plan.above] || plan.above, numbers.shift) }
    stand(places.values)
  end

  def page(plan, above, number)
    page = Page.new(id: number, title: Zuhause::Document::Title.clean(plan.title), public_id: plan.public_id, language: plan.language, author: @by, room: above.is_a?(Room) ? above : above.room,
                    ancestry: above.is_a?(Room) ? Page.ancestry_root : "#{above.ancestry}#{above.id}/", access_list_id: above.access_list_id, created_at: @at, updated_at: @at, binned_at: @at, bin_root_id: number)
    page.valid? ? page : raise(ActiveRecord::RecordInvalid, page)
  end

  # At the end of where each stands.
  def stand(pages)
    last = Page.where(room_id: pages.map(&:room_id).uniq, ancestry: pages.map(&:ancestry).uniq).group(:room_id, :ancestry).maximum(:position)
    last.default = 0
    pages.each { |page| page.position = last[[ page.room_id, page.ancestry ]] += 1 }
  end

  def begun(page)
    @empty ||= Zuhause::Document.accept(Zuhause::Document.empty).doc
    State.new(title: page.title, document: @empty)
  end

  def draft(page, state, number, version: 1)
    Draft.new(id: number, page_id: page.id, version: version, base_version: version - 1, save_id: version == 1 ? "begin" : SecureRandom.uuid, state: state, author_id: @by.id, created_at: @at)
  end

  def edition(page, draft, number)
    Edition.new(id: number, page_id: page.id, number: 1, state: draft.state, draft_version: draft.version, author_id: @by.id, note: "", published_at: @at, **Attribution.size_of_change(nil, draft.state))
  end

  def insert(founded)
    [ founded.map(&:page), texts(founded), founded.flat_map(&:drafts), founded.filter_map(&:edition) ].each do |records|
      records.first.class.insert_all!(records.map(&:attributes), record_timestamps: false) if records.any?
    end
    there = Page.where(id: founded.map { |each| each.page.id }).index_by(&:id)
    founded.each { |each| each.page = there.fetch(each.page.id) }
  end

  def texts(founded)
    founded.flat_map { |each| each.drafts.uniq(&:digest).map { |draft| Text.new(page_id: draft.page_id, digest: draft.digest, body: draft.state.body) } }
  end
end
