# A place in a published text where a page is named without a link. All of them are written down, also those within longer names:
# which count depends on what whoever asks may see (UnlinkedNames).
class UnlinkedName < ApplicationRecord
  MOST = 5 # of one page in one text

  belongs_to :page
  belongs_to :target, class_name: "Page"

  class << self
    # Texts are read apart: publishing does not wait for it.
    def follow_edition(_page, _edition)
      soon
    end

    def soon
      ActiveRecord.after_all_transactions_commit { ReadNamesJob.perform_later }
    end

    # Reads texts that have not been read as they are published, and looks for names that have not been looked for.
    #
    # @return [Integer] of both
    def catch_up
      unread = Page.kept.joins("LEFT JOIN names_read ON names_read.page_id = pages.id").where.not(edition_id: nil).where("names_read.edition_id IS NOT pages.edition_id")
      read = unread.in_batches(of: 100).sum { |pages| pages.includes(:edition).each { |page| transaction { read(page) } }.size }
      read + KnownName.where(looked_for: false).distinct.pluck(:page_id).each { |id| transaction { look_for(id) } }.size
    end

    # The rules of another language hold in its text.
    def follow_language(page)
      connection.execute("DELETE FROM names_read WHERE page_id = #{page.id.to_i}")
      soon
    end

    # @param names [Zuhause::Links::Names, nil] all that are known; else those that its words begin are asked for
    def read(page, names: nil)
      where(page: page).delete_all
      write(page, names || names_for(page))
      connection.execute("INSERT INTO names_read (page_id, edition_id) VALUES (#{page.id.to_i}, #{page.edition_id.to_i}) ON CONFLICT (page_id) DO UPDATE SET edition_id = excluded.edition_id")
    end

    private

    def rules_of(page)
      Zuhause::Links::Promised.rules_of(page.language)
    end

    def names_for(page)
      rules = rules_of(page)
      words = Zuhause::Links::Names.new([], rules).words(page.edition.document)
      Zuhause::Links::Names.new(KnownName.beginning(words, rules), rules)
    end

    def write(page, names)
      places = names.places(page.edition.document).reject { |place| place.id == page.id }.uniq
      rows = places.group_by(&:id).values.flat_map { |same| same.first(MOST) }.map { |place| { page_id: page.id, target_id: place.id, block_id: place.block, start: place.start, length: place.length } }
      insert_all!(rows) if rows.any?
    end

    # Asks the full-text index which texts may name a page, and reads those for its names alone.
    def look_for(page_id)
      where(target_id: page_id).delete_all
      names = KnownName.where(page_id: page_id).to_a
      Page.find_by(id: page_id)&.then do |named|
        by_rules = names.group_by(&:rules).transform_values { |rows| Zuhause::Links::Names.new(rows.map { |row| Zuhause::Links::Names::Name.new(row.name, page_id) }, rows.first.rules.presence) }
        naming(names).where.not(id: named.id).includes(:edition).find_each { |page| by_rules[rules_of(page).to_s]&.then { |known| write(page, known) } }
      end
      KnownName.where(page_id: page_id).update_all(looked_for: true)
    end

    # @return [ActiveRecord::Relation<Page>] published pages, read as they are, in which words stand that begin as those of a name
    def naming(names)
      ids = names.map(&:name).uniq.flat_map { |name| Section.connection.select_values(Section.sanitize_sql([ "SELECT DISTINCT rowid / #{Section::PER_PAGE} FROM section_index WHERE section_index MATCH ?", expression(name) ])) }
      Page.kept.where(id: ids.uniq).where("pages.edition_id IN (SELECT edition_id FROM names_read)")
    end

    def expression(name)
      "{body} : (#{Zuhause::Links::Names.beginnings(name).map { |word| %("#{word}"*) }.join(" AND ")})"
    end
  end
end
