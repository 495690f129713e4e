# A heading of a published page with the text below it: the unit that finding answers with. The full-text index follows
# this table by triggers. A section's number tells its page, so that the index alone says where words stand.
class Section < ApplicationRecord
  PER_PAGE = 10_000 # numbers for each page; what lies beyond counts to the last

  belongs_to :page

  # Lies compressed; the index reads it through the view section_texts.
  attribute :body, CompressedText.new

  # Replaces a page's sections by those of an edition.
  def self.follow_edition(page, edition)
    where(page: page).delete_all
    insert_all!(rows(edition.state.sections).map.with_index { |row, i| row.merge(id: (page.id * PER_PAGE) + i, page_id: page.id, title: edition.title, position: i) })
  end

  # How well sections answer is told by where the words stand in them, never by how often they occur in the house: that
  # counts closed pages too, and two pages of one's own would tell by their order what stands in those.
  #
  # @param words [String] an FTS5 expression
  # @param pages [ActiveRecord::Relation<Page>] only of these
  # @param most [Integer] newest pages first
  # @return [Array<Integer>] numbers of sections
  def self.matching(words, pages, most:)
    pages.unscope(:select).from("section_index CROSS JOIN pages").where("pages.id = section_index.rowid / #{PER_PAGE}").where("section_index MATCH ?", words)
         .order(Arel.sql("section_index.rowid DESC")).limit(most).pluck(Arel.sql("section_index.rowid"))
  end

  def self.page_id_of(number)
    number / PER_PAGE
  end

  def self.rows(sections)
    kept, beyond = sections.first(PER_PAGE), sections.drop(PER_PAGE)
    kept[-1] = kept.last.dup.tap { |last| last.text = [ last.text, *beyond.flat_map { |section| [ section.heading.text, section.text ] } ].join("\n") } if beyond.any?
    kept.map { |section| { block_id: section.heading&.id, heading: section.heading&.text.to_s, body: section.text } }
  end
  private_class_method :rows
end
