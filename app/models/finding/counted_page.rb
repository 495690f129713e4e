# What was counted of the words of a page that is read: in how many of its sections each stands, and for which access list. It
# follows each edition; where a page's list has changed, or it is in the bin, a job counts anew.
class CountedPage < ApplicationRecord
  self.primary_key = :page_id

  belongs_to :page

  class << self
    def follow_edition(page, edition)
      count(page, edition.state.words_by_section)
    end

    def follow_names(page)
      count(page)
    end

    # @param page [Page]
    # @param said [Array<Array<String>>, nil] words of the sections of its text, where they are known
    def count(page, said = nil)
      return where(page_id: page.id).delete_all if page.edition.nil? || page.binned?

      where(page_id: page.id).where.not(access_list_id: page.access_list_id).delete_all
      before = where(page_id: page.id).pick(:words)&.then { |words| JSON.parse(Zlib.inflate(words)) } || {}
      now = counts(page, said || words_of(Section.where(page: page, page_file_id: nil)))
      keep(page, now)
      Word.keep(now.keys - before.keys - [ WordCount::ALL ])
    end

    # Counts what is not counted as it should be.
    #
    # @return [Integer] pages
    def catch_up
      ids = stale.ids | stale_rows.pluck(:page_id)
      ids.each { |id| transaction { Page.find_by(id: id)&.then { |page| count(page) } } }
      ids.size
    end

    private

    def stale
      Page.kept.where.not(edition_id: nil).joins("LEFT JOIN counted_pages ON counted_pages.page_id = pages.id")
          .where("counted_pages.page_id IS NULL OR counted_pages.access_list_id <> pages.access_list_id OR counted_pages.edition_id <> pages.edition_id")
    end

    # Of pages that nobody reads any more.
    def stale_rows
      joins(:page).where("pages.bin_root_id IS NOT NULL OR pages.edition_id IS NULL")
    end

    # What is counted already changes by what differs, by a trigger.
    def keep(page, counts)
      words = ActiveModel::Type::Binary::Data.new(Zlib.deflate(JSON.generate(counts)))
      upsert({ page_id: page.id, access_list_id: page.access_list_id, edition_id: page.edition_id, words: words }, unique_by: :page_id, update_only: %i[edition_id words])
    end

    # Also of the files that it shows, and of its names, which all its sections bear.
    def counts(page, said)
      title, *files = names_of(page), *words_of(Section.where(page: page).where.not(page_file_id: nil))
      sections = [ *said, *files ]
      sections[0] = (title | sections[0]) if sections.any?
      sections.flatten.tally.reject { |word, _count| word.length > Zuhause::Finding::Folding::LONGEST }.merge(WordCount::ALL => sections.size)
    end

    def words_of(sections)
      sections.order(:position).pluck(:heading, :body).map { |heading, body| Zuhause::Finding::Folding.words("#{heading}\n#{body}").uniq }
    end

    def names_of(page)
      Zuhause::Finding::Folding.words(Section.where(page: page).order(:position).pick(:title).to_s)
    end
  end
end
