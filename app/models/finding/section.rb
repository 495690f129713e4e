# A heading of a published page with the text below it: the unit that finding answers with. The full-text index follows
# this table by triggers. A section's number tells its page, so that the index alone says where words stand.
class Section < ApplicationRecord
  PER_PAGE = 10_000 # numbers for each page; what lies beyond counts to the last

  FILES_FROM = 8_000 # among those, pieces of files that the page shows

  belongs_to :page
  belongs_to :page_file, optional: true

  # Lies compressed; the index reads it through the view section_texts.
  attribute :body, CompressedText.new

  # Replaces a page's sections by those of an edition; those that say the same in the same place stay.
  def self.follow_edition(page, edition)
    renew(where(page: page, page_file_id: nil), numbered(edition.state.section_rows, page, edition))
    follow_files(page, edition)
  end

  # @param sections [Array<Zuhause::Document::Outline::Section>]
  # @return [Array<Hash>] rows of them, without what tells their page
  def self.rows(sections)
    kept, beyond = sections.first(FILES_FROM), sections.drop(FILES_FROM)
    kept[-1] = kept.last.dup.tap { |last| last.text = [ last.text, *beyond.flat_map { |section| [ section.heading.text, section.text ] } ].join("\n") } if beyond.any?
    kept.map { |section| { block_id: section.heading&.id, heading: section.heading&.text.to_s, level: section.heading&.level || 1, body: CompressedText.pack(section.text) } }
  end

  # The same of pages that have none yet.
  def self.follow_founding(founded)
    rows = founded.select(&:edition).flat_map { |each| numbered(each.edition.state.section_rows, each.page, each.edition, title: each.edition.title) }
    insert_all!(rows) if rows.any?
    founded.each { |each| follow_files(each.page, each.edition) if each.edition && shown_files(each.edition).any? }
  end

  # They bear the page's names in their title, by which they are found.
  def self.follow_names(page)
    where(page: page).update_all(title: titled(page, page.edition)) if page.edition
  end

  # Replaces what stands in the files that an edition shows.
  def self.follow_files(page, edition = page.edition)
    where(page: page).where.not(page_file_id: nil).delete_all
    blocks = shown_files(edition)
    return if blocks.empty?

    rows = FileText.of(PageFile.where(page: page, public_id: blocks.keys).includes(content_attachment: :blob).order(:id).to_a).flat_map { |file, pieces| pieces.map { |place, text| piece(file, blocks.fetch(file.public_id), place, text) } }
    insert_all!(numbered(rows.first(PER_PAGE - FILES_FROM), page, edition, from: FILES_FROM)) if rows.any?
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

  # The same in no order, of as many as there are up to +most+.
  def self.holding(words, pages, most:)
    pages.unscope(:select, :order).from("section_index CROSS JOIN pages").where("pages.id = section_index.rowid / #{PER_PAGE}").where("section_index MATCH ?", words).limit(most).pluck(Arel.sql("section_index.rowid"))
  end

  def self.page_id_of(number)
    number / PER_PAGE
  end

  # @return [Array<Zuhause::Finding::Passages::Passage>] the parts of its text
  def passages(edition)
    page_file_id ? Zuhause::Finding::Passages.of_lines(body) : Zuhause::Finding::Passages.of(edition.document, block_id)
  end

  # @return [Boolean] whether it stands in a file
  def in_file?
    !page_file_id.nil?
  end

  # @return [Hash{String=>String}] blocks by the files that stand there first
  def self.shown_files(edition)
    Zuhause::Document::Walk.blocks(edition.document).filter_map { |block| block.dig("attrs", "file")&.then { |file| [ file, block.dig("attrs", "id") ] } }.reverse.to_h
  end

  def self.numbered(rows, page, edition, from: 0, title: titled(page, edition))
    rows.map.with_index(from) { |row, i| row.merge(id: (page.id * PER_PAGE) + i, page_id: page.id, title: title, position: i) }
  end

  def self.titled(page, edition)
    [ edition.title, *page.other_names.reload.map(&:name) ].join("\n")
  end

  def self.piece(file, block, place, text)
    { block_id: block, heading: file.name, level: 1, body: text, page_file_id: file.id, place: place.to_s }
  end

  # @param there [ActiveRecord::Relation<Section>]
  # @param rows [Array<Hash>] what is to be there instead; what lies there compressed is compared as it lies
  def self.renew(there, rows)
    names = rows.first.keys
    lying = there.pluck(*names.map { |name| name == :body ? Arel.sql("CAST(body AS BLOB)") : name }).to_set
    same, fresh = rows.partition { |row| lying.include?(row.values_at(*names).map { |value| value.is_a?(CompressedText::Packed) ? value.bytes : value }) }
    there.where.not(id: same.pluck(:id)).delete_all
    insert_all!(fresh) if fresh.any?
  end
  private_class_method :renew, :shown_files, :numbered, :titled, :piece
end
