# Somebody whose changes a page's draft holds and no edition does.
class Changer < ApplicationRecord
  belongs_to :page
  belongs_to :person

  class << self
    def follow_draft(page, draft)
      insert({ page_id: page.id, person_id: draft.author_id }) unless exists?(page_id: page.id, person_id: draft.author_id)
    end

    def follow_founding(founded)
      rows = founded.reject(&:edition).select { |each| each.drafts.many? }.map { |each| { page_id: each.page.id, person_id: each.draft.author_id } }
      insert_all!(rows) if rows.any?
    end

    # All of it is published now, but for what was saved after that.
    def follow_edition(page, edition)
      return unless edition.draft_version

      later = page.drafts.where("version > ?", edition.draft_version).select(:author_id)
      where(page: page).where.not(person_id: later).delete_all
    end
  end
end
