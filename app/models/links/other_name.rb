# A further name that a page is found and linked by. Whoever sees the page may know of it.
class OtherName < ApplicationRecord
  MOST = 20 # of one page

  belongs_to :page

  # Other names in which all of some words stand, or begin so.
  #
  # @param words [String] an FTS5 expression
  # @param pages [ActiveRecord::Relation<Page>] only of these
  # @return [Array<Integer>] ids of pages
  def self.pages_called(words, pages, most:)
    found = where("id IN (SELECT rowid FROM name_index WHERE name_index MATCH ?)", words)
    pages.unscope(:select, :order).where(id: found.select(:page_id)).limit(most).ids
  end

  # @param pages [Array<Page>]
  # @param words [Array<String>] what was typed
  # @return [Hash{Integer=>String}] of each page whose title does not have them all, the other name that has
  def self.met_by(pages, words)
    words = words.map { |word| Zuhause::Finding::Folding.fold(word) }
    says = ->(text) { words.all? { |word| Zuhause::Finding::Folding.words(text).any? { |other| other.start_with?(word) } } }
    missed = pages.reject { |page| says.call(page.title) }
    where(page: missed).order(:id).pluck(:page_id, :name).each_with_object({}) { |(id, name), met| met[id] ||= name if says.call(name) }
  end
end
