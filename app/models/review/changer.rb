# Somebody whose changes a page's draft holds and no edition does.
class Changer < ApplicationRecord
  belongs_to :page
  belongs_to :person

  class << self
    def follow_draft(page, draft)
      insert({ page_id: page.id, person_id: draft.author_id }) unless exists?(page_id: page.id, person_id: draft.author_id)
    end

    # All of it is published now.
    def follow_edition(page, edition)
      where(page: page).delete_all if edition.draft_version
    end
  end
end
