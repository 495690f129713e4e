# A day that a page's published text names, and that lay ahead when somebody last confirmed it.
class TextDate < ApplicationRecord
  PORTION = 200
  LONGEST = 60 # characters of how it stands in the text

  belongs_to :page

  class << self
    def follow_edition(page, edition)
      since = CheckDate.find(page.id).since
      where(page: page).delete_all
      rows = Zuhause::Freshness::TextDates.in(edition.document).select { |found| found.on >= since }.map { |found| { page_id: page.id, day: found.on, block_id: found.block_id, words: found.words.first(LONGEST) } }
      insert_all!(rows) if rows.any?
      CheckDate.where(page_id: page.id).update_all(days_read: true)
    end

    # Reads texts that were published before this was.
    def catch_up
      while (ids = CheckDate.where(days_read: false).limit(PORTION).pluck(:page_id)).any?
        Page.where(id: ids).includes(edition: :text).find_each { |page| transaction { page.edition ? follow_edition(page, page.edition) : CheckDate.where(page_id: page.id).delete_all } }
      end
    end
  end
end
