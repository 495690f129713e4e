# The one working text of a page, shared by its writers. Every save is a version of its own; a save that does not build
# on the newest version is refused, but its text is kept as well.
module Page::Drafting
  extend ActiveSupport::Concern

  included do
    has_many :drafts, dependent: :delete_all
    belongs_to :draft, optional: true # none only while a page is being made
  end

  # @raise [ActiveRecord::RecordNotFound] if the page has been erased since it was read
  def draft
    super || (draft_id && raise(ActiveRecord::RecordNotFound))
  end

  def start_draft(by:, at:)
    document = Zuhause::Document.accept(Zuhause::Document.empty).doc
    first = drafts.create!(version: 1, base_version: 0, save_id: "begin", title: title, document: document, author: by, created_at: at)
    update!(draft: first)
  end

  # @param template [Template, ShippedTemplate, nil] nil for an empty page
  def start_from(template, by:, at:)
    return true unless template

    update!(icon: icon_like(template.icon, by: by))
    save_draft(base_version: 1, save_id: "template", title: title, document: Zuhause::Document::Ids.strip(template.document), by: by, at: at)
  end

  # @param base_version [Integer] the version that the text builds on
  # @param save_id [String] made by whoever saves; the same id again gets the same answer
  # @param title [String] cleaned here
  # @param document [Object] parsed JSON of a document
  # @return [Draft] the new version, or the refused one if a newer than +base_version+ exists, or one with errors
  # @raise [Zuhause::Document::Invalid]
  def save_draft(base_version:, save_id:, title:, document:, by:, at: Time.current)
    accepted = Zuhause::Document.accept(document)
    accepted.doc = with_own_files(Task.lay_over(self, accepted.doc), by: by)
    saved = drafts.build(base_version: base_version, save_id: save_id, title: Zuhause::Document::Title.clean(title),
                         document: accepted.doc, new_ids: accepted.new_ids, author: by, created_at: at)
    transaction do
      raise ActiveRecord::RecordNotFound unless Page.exists?(id) # erased since it was read

      known = drafts.find_by(save_id: save_id, author: by)
      next known if known
      next saved unless saved.valid?

      newest = Draft.where(page_id: id).maximum(:version)
      saved.version = newest + 1 if base_version == newest
      saved.save!
      adopt(saved) unless saved.refused?
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

  def adopt(saved)
    update!(draft: saved, title: published? ? title : saved.title)
    @ticked = Task.where(page: self).laid_over.pluck(:block_id, :done).to_h
    Task.where(page: self).laid_over.update_all(ticked_at: nil)
    Reference.record(self, :draft, saved.document)
    thin_states(now: saved.created_at) if (saved.version % Page::Stated::THINNED_EVERY).zero?
  end
end
