# The one working text of a page, shared by its writers. Every save is a version of its own; one that does not build on the
# newest version is joined with it.
module Page::Drafting
  extend ActiveSupport::Concern

  # What follows a draft, in this order, whatever way it came to be: each is told by +follow_draft(page, draft)+. A subject
  # adds a line.
  FOLLOWED_BY = %w[Reference PartsLedTo Dispute RemarkPlace Changer Attribution].freeze
  TRIES = 5

  included do
    has_many :drafts
    has_many :disputes
    belongs_to :draft, optional: true # none only while a page is being made

    # Whose draft says something that no edition does, and of these the ones that somebody wrote at, the latest first.
    scope :unpublished, -> { left_joins(:edition).joins(:draft).where("pages.edition_id IS NULL OR editions.draft_version IS NOT drafts.version") }
    scope :unfinished_by, ->(person) { unpublished.where(id: Changer.where(person: person).select(:page_id)).order("drafts.created_at DESC", :id) }
  end

  # @raise [ActiveRecord::RecordNotFound] if the page has been erased since it was read
  def draft
    super || (draft_id && raise(ActiveRecord::RecordNotFound))
  end

  def start_draft(by:, at:)
    state = State.new(title: title, document: Zuhause::Document.accept(Zuhause::Document.empty).doc)
    update!(draft: drafts.create!(version: 1, base_version: 0, save_id: "begin", state: state, author: by, created_at: at))
  end

  # @param template [Template, ShippedTemplate, nil] nil for an empty page
  def start_from(template, by:, at:)
    return true unless template

    update!(icon: icon_like(template.icon, by: by))
    save_draft(State.new(title: title, document: Zuhause::Document::Ids.strip(template.document)), base_version: 1, by: by, at: at)
  end

  # The one door by which a draft gets a text. What does not build on the newest text is joined with it.
  #
  # @param state [State] with a document of any kind
  # @param base_version [Integer] the version that it builds on
  # @param base [Object, nil] the text that it builds on, where that is not what was saved under that version
  # @param save_id [String] made by whoever saves; the same id again gets the same answer
  # @return [Draft] the new version, or one with errors
  # @raise [Zuhause::Document::Invalid]
  def save_draft(state, base_version:, by:, base: nil, save_id: SecureRandom.uuid, at: Time.current)
    joining = Joining.new(self, base_version: base_version, base: base, by: by)
    accepted = Zuhause::Document.accept(joining.with_ids(state.document))
    joining.mine = state.with(document: with_own_files(accepted.doc, by: by))
    ticks = Tick.waiting(self)
    TRIES.times do |tried|
      joined = joining.with_newest
      joined = joined.with(document: ticks.lay_over(joined.document)).prepare
      saved = Draft.new(page: self, base_version: joining.version, save_id: save_id, state: joined, new_ids: accepted.new_ids, author: by, created_at: at)
      saved.attributed = Attribution.ahead(self, saved)
      kept = transaction { keep(saved, ticks, joining.others) || (tried == TRIES - 1 && keep_within(joining, saved, ticks)) || raise(ActiveRecord::Rollback) }
      return kept if kept
    end
  end

  # @return [Hash{String=>Boolean}] ticks made while reading that the last save took over, by block id
  def ticked
    @ticked || {}
  end

  # @return [Array<Array(Hash, Hash)>] texts of other pages, with who wrote them, from which what is saved next may come
  def drawn_from
    @drawn_from || []
  end

  # What is saved within may come from another page: it stays whose it is there.
  #
  # @param page [Page]
  def drawing_from(page)
    @drawn_from = [ *Attribution.as_source(page) ].then { |source| source.any? ? [ source ] : [] }
    yield
  ensure
    @drawn_from = nil
  end

  # @return [Boolean] whether the draft differs from what is published
  def unpublished_changes?
    edition.nil? || edition.draft_version != draft.version
  end

  private

  # @return [Draft, nil] nil if another save came first: what is saved has to be joined with that
  def keep(saved, ticks, others)
    raise ActiveRecord::RecordNotFound unless Page.exists?(id) # erased since it was read

    known = drafts.find_by(save_id: saved.save_id, author: saved.author)
    return known if known
    return saved unless saved.valid?

    newest = Draft.where(page_id: id).maximum(:version)
    return unless saved.base_version == newest

    saved.version = newest + 1
    saved.save!
    Dispute.keep(self, others, at: saved.created_at)
    adopt(saved, ticks)
    saved
  end

  # Others were quicker each time: what they saved is joined while they wait.
  def keep_within(joining, saved, ticks)
    joined = joining.with_newest
    saved.assign_attributes(base_version: joining.version, state: joined.with(document: ticks.lay_over(joined.document)))
    saved.attributed = nil
    keep(saved, ticks, joining.others)
  end

  # Files pasted from another page become this page's own, if whoever writes may see them there.
  def with_own_files(document, by:)
    ids = Zuhause::Document::Walk.blocks(document).filter_map { |block| block.dig("attrs", "file") }
    own = ids.any? ? PageFile.adopt(ids, page: self, by: by) : {}
    return document if own.empty?

    Zuhause::Document::Walk.rebuild(document) { |node| own.key?(node.dig("attrs", "file")) ? node.merge("attrs" => node["attrs"].merge("file" => own.fetch(node["attrs"]["file"]))) : node }
  end

  def adopt(saved, ticks)
    update!(draft: saved, title: published? ? title : saved.title)
    @ticked = ticks.taken_into(saved)
    FOLLOWED_BY.each { |follower| follower.constantize.follow_draft(self, saved) }
    thin_states(now: saved.created_at) if (saved.version % Page::Stated::THINNED_EVERY).zero?
  end
end
