# A day that a page's published text names, and that lay ahead when somebody last confirmed it.
class TextDate < ApplicationRecord
  PORTION = 50
  LONGEST = 60 # characters of how it stands in the text

  belongs_to :page

  class << self
    def follow_edition(page, edition)
      write([ page.id ], rows(page, edition, CheckDate.find(page.id).since))
    end

    def follow_founding(founded)
      founded = founded.select(&:edition)
      since = CheckDate.where(page_id: founded.map { |each| each.page.id }).pluck(:page_id, :since).to_h
      write(since.keys, founded.flat_map { |each| rows(each.page, each.edition, since.fetch(each.page.id)) })
    end

    # Reads texts that were published before this was; nobody waits for the reading.
    def catch_up
      while (ids = CheckDate.where(days_read: false).limit(PORTION).pluck(:page_id)).any?
        read = Page.where(id: ids).includes(:check_date, edition: :text).select(&:edition)
        found = read.flat_map { |page| rows(page, page.edition, page.check_date.since) }
        transaction do
          CheckDate.where(page_id: Page.where(id: ids, edition_id: nil).select(:id)).delete_all
          now = Page.where(id: read.map(&:id)).pluck(:id, :edition_id).to_h
          ids = read.select { |page| now[page.id] == page.edition_id }.map(&:id)
          write(ids, found.select { |row| ids.include?(row[:page_id]) })
        end
      end
    end

    private

    def rows(page, edition, since)
      edition.state.days.select { |found| found.on >= since }.map { |found| { page_id: page.id, day: found.on, block_id: found.block_id, words: found.words.first(LONGEST) } }
    end

    def write(ids, rows)
      where(page_id: ids).delete_all
      insert_all!(rows) if rows.any?
      CheckDate.where(page_id: ids).update_all(days_read: true)
    end
  end
end
