# What was counted of the words of a page that is read: in how many of its sections each stands, and for which access list. It
# follows each edition; where a page's list has changed, or it is in the bin, a job counts anew.
class CountedPage < ApplicationRecord
  self.primary_key = :page_id

  belongs_to :page

  class << self
    def follow_edition(page, _edition)
      count(page)
    end

    def follow_names(page)
      count(page)
    end

    # @param page [Page]
    def count(page)
      where(page_id: page.id).delete_all
      return if page.edition.nil? || page.binned?

      Word.keep(keep(page).keys - [ WordCount::ALL ])
    end

    # @return [Hash{String=>Integer}] what was counted of a page that is read
    def keep(page)
      words_of(page).tap do |words|
        insert({ page_id: page.id, access_list_id: page.access_list_id, edition_id: page.edition_id, words: ActiveModel::Type::Binary::Data.new(Zlib.deflate(JSON.generate(words))) })
      end
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

    # Also of the files that it shows.
    def words_of(page)
      sections = Section.where(page: page).order(:position).pluck(:title, :heading, :body)
      title = Zuhause::Finding::Folding.words(sections.dig(0, 0).to_s)
      counts = sections.each_with_index.flat_map { |(_title, heading, body), i| [ *(title if i.zero?), *Zuhause::Finding::Folding.words("#{heading}\n#{body}") ].uniq }.tally
      counts.reject { |word, _count| word.length > Zuhause::Finding::Folding::LONGEST }.merge(WordCount::ALL => sections.size)
    end
  end
end
