# The one working text of a page, shared by its writers. Every save is a version of its own; a save that does not build
# on the newest version is refused, but its text is kept as well.
module Page::Drafting
  extend ActiveSupport::Concern

  # What follows a draft, in this order, whatever way it came to be: each is told by +follow_draft(page, draft)+. A subject
  # adds a line.
  FOLLOWED_BY = %w[Reference Citation].freeze

  included do
    has_many :drafts
    belongs_to :draft, optional: true # none only while a page is being made
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

  # The one door by which a draft gets a text.
  #
  # @param state [State] with a document of any kind
  # @param base_version [Integer] the version that it builds on
  # @param save_id [String] made by whoever saves; the same id again gets the same answer
  # @return [Draft] the new version, or the refused one if a newer than +base_version+ exists, or one with errors
  # @raise [Zuhause::Document::Invalid]
  def save_draft(state, base_version:, by:, save_id: SecureRandom.uuid, at: Time.current)
    accepted = Zuhause::Document.accept(state.document)
    ticks = Tick.waiting(self)
    state = state.with(document: with_own_files(ticks.lay_over(accepted.doc), by: by)).prepare
    saved = drafts.build(base_version: base_version, save_id: save_id, state: state, new_ids: accepted.new_ids, author: by, created_at: at)
    transaction do
      raise ActiveRecord::RecordNotFound unless Page.exists?(id) # erased since it was read

      known = drafts.find_by(save_id: save_id, author: by)
      next known if known
      next saved unless saved.valid?

      newest = Draft.where(page_id: id).maximum(:version)
      saved.version = newest + 1 if base_version == newest
      saved.save!
      adopt(saved, ticks) unless saved.refused?
      saved
    end
  end

  # @return [Hash{String=>Boolean}] ticks made while reading that the last save took over, by block id
  def ticked
    @ticked || {}
  end

  # @return [Boolean] whether the draft differs from what is published
  def unpublished_changes?
    edition.nil? || edition.draft_version != draft.version
  end

  private

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
