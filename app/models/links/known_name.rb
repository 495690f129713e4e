# A name by which a page is known, its title or another, by the rules of a language: found by its first word.
class KnownName < ApplicationRecord
  RULES = [ nil, *Zuhause::Links::Promised::LANGUAGES ].freeze
  AT_ONCE = 800 # words that are asked for

  belongs_to :page

  class << self
    # Writes down how a new page is called.
    def begin_with(page)
      rows(page, [ page.title ]).then { |wanted| insert_all!(wanted) if wanted.any? }
      UnlinkedName.soon
    end

    def follow_founding(founded)
      wanted = founded.flat_map { |each| rows(each.page, [ each.page.title ]) }
      insert_all!(wanted) if wanted.any?
    end

    # Writes down how a page is called now; where that stands in texts is looked for anew.
    def follow_names(page)
      wanted = rows(page, [ page.title, *page.other_names.reload.map(&:name) ])
      return if where(page: page).pluck(:name, :rules).sort == wanted.map { |row| row.values_at(:name, :rules) }.sort

      where(page: page).delete_all
      insert_all!(wanted) if wanted.any?
      UnlinkedName.soon
    end

    # @param words [Array<String>] keys of words of a text
    # @param rules [String, nil] of its language
    # @param pages [ActiveRecord::Relation<Page>, nil] only of these
    # @return [Array<Zuhause::Links::Names::Name>] names that begin with one of them
    def beginning(words, rules, pages: nil)
      found = pages ? joins(:page).merge(pages) : all
      words.each_slice(AT_ONCE).flat_map { |some| found.where(rules: rules.to_s, first: some).pluck(:name, :page_id) }.map { |name, id| Zuhause::Links::Names::Name.new(name, id) }
    end

    private

    def rows(page, names)
      names.uniq.flat_map do |name|
        RULES.filter_map { |rules| (first = Zuhause::Links::Names.keys(name, rules).first) && { page_id: page.id, name: name, rules: rules.to_s, first: first } }
      end
    end
  end
end
