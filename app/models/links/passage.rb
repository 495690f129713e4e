# A named part of what a page has published, which other pages can show.
class Passage < ApplicationRecord
  belongs_to :page

  class << self
    def follow_edition(page, edition)
      wanted = self.in(edition.document)
      there = where(page: page).pluck(:block_id, :name).to_h
      return if wanted == there

      where(page: page).delete_all
      insert_all!(wanted.map { |block, name| { page_id: page.id, block_id: block, name: name } }) if wanted.any?
    end

    def follow_founding(founded)
      founded.each { |each| follow_edition(each.page, each.edition) if each.edition && self.in(each.edition.document).any? }
    end

    # @return [Hash] a block that is to be filled
    def empty(name)
      { "type" => "passage", "attrs" => { "name" => name }, "content" => [ { "type" => "paragraph" } ] }
    end

    # @return [Hash{String=>String}] names by block id
    def in(document)
      Zuhause::Document::Walk.blocks(document).select { |block| block["type"] == "passage" }.to_h { |block| [ block.dig("attrs", "id"), block.dig("attrs", "name").to_s ] }
    end

    # Those of pages that the viewer reads: their own first, then as they were published lately.
    #
    # @param text [String] words that the name, or the page's title, has
    # @return [ActiveRecord::Relation<Passage>]
    def offered_to(viewer, text)
      found = joins(page: :edition).merge(Page.read_by(viewer)).includes(page: %i[edition room])
      found = text.to_s.split.first(8).reduce(found) { |rows, word| rows.where("passages.name LIKE :word OR pages.title LIKE :word", word: "%#{sanitize_sql_like(word)}%") }
      found.order(Arel.sql(sanitize_sql([ "editions.author_id = ? DESC, editions.published_at DESC, passages.id", viewer.person.id ])))
    end
  end
end
