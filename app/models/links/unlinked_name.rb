# A place in a published text where a page is named without a link. All of them are written down, also those within longer names:
# which count depends on what whoever asks may see (UnlinkedNames).
class UnlinkedName < ApplicationRecord
  MOST = 5 # of one page in one text
  MOST_TEXTS = 300 # that name one page: a name that stands in more is a word of the house
  LOOKED_AT = 2000 # texts in which a new name is looked for
  MANY = 100 # texts for which all names are gathered at once
  NEW = 20 # names of pages that have come at once: reading all texts once costs less than asking for each

  # How many texts name pages: those of many are told apart without asking for each text.
  class Naming
    def initialize
      @counts = {}
    end

    # @param ids [Array<Integer>] of pages that one more text names
    # @return [Array<Integer>] those that not too many texts name
    def rare(ids)
      unknown = ids.reject { |id| @counts.key?(id) }
      @counts.merge!(unknown.index_with(0), UnlinkedName.in_texts_read.where(target_id: unknown).group(:target_id).distinct.count(:page_id)) if unknown.any?
      ids.select { |id| @counts[id] < MOST_TEXTS }.each { |id| @counts[id] += 1 }
    end

    # @yieldparam id [Integer] of each page that has come to be named by too many texts
    def grown_common
      common = @counts.select { |_id, texts| texts >= MOST_TEXTS }.keys
      (common - @common.to_a).each { |id| yield id }
      @common = common
    end
  end

  belongs_to :page
  belongs_to :target, class_name: "Page"

  # What was written down of an edition that is to be read anew counts no more.
  scope :in_texts_read, -> { where("unlinked_names.page_id IN (SELECT page_id FROM names_read)") }

  class << self
    # Texts are read apart: publishing does not wait for it.
    def follow_edition(_page, _edition)
      soon
    end

    # What comes by the heap is read within the minute.
    def soon
      ActiveRecord.after_all_transactions_commit { ReadNamesJob.perform_later } unless Happening.withheld?
    end

    # Reads texts that have not been read as they are published, and looks for names that have not been looked for.
    #
    # @param seconds [Numeric, nil] after which it stops, for others to have their turn
    # @return [Integer] of both
    def catch_up(seconds: nil)
      ends = seconds && clock + seconds
      read_all_anew if new_pages.count >= NEW
      read = read_unread { over?(ends) }
      new_pages.pluck(:page_id).each do |id|
        break if over?(ends)

        look_for(id)
        read += 1
      end
      read
    end

    # @return [Boolean] whether something is left to be read or looked for
    def behind?
      unread.exists? || new_pages.exists?
    end

    # The rules of another language hold in its text.
    def follow_language(page)
      connection.execute("DELETE FROM names_read WHERE page_id = #{page.id.to_i}")
      soon
    end

    # Reads texts anew; what comes of it is written down at once.
    #
    # @param pages [Array<Page>]
    # @param all [Hash{String, nil=>Zuhause::Links::Names}, nil] all names by rules; else those that a text's words begin are asked for
    # @param naming [Naming]
    # @return [Integer] pages
    def read(pages, all: nil, naming: Naming.new)
      found = pages.index_with { |page| places(page, all ? all[rules_of(page)] : names_for(page)) }
      transaction do
        found = still_there(found)
        where(page: found.keys).delete_all
        write(found, naming)
        note_read(found.keys)
      end
      pages.size
    end

    private

    def unread
      Page.kept.joins("LEFT JOIN names_read ON names_read.page_id = pages.id").where.not(edition_id: nil).where("names_read.edition_id IS NOT pages.edition_id")
    end

    # @return [ActiveRecord::Relation<KnownName>] pages for whose names no text was looked through yet
    def new_pages
      KnownName.where(looked_for: false).select(:page_id).distinct
    end

    # @yieldreturn [Boolean] whether the rest is left
    # @return [Integer] texts
    def read_unread
      naming = Naming.new
      all = all_names if unread.limit(MANY).count == MANY
      unread.in_batches(of: 50).sum do |pages|
        next 0 if yield

        naming.grown_common { |id| all&.each_value { |names| names.forget(id) } }
        read(pages.includes(edition: :text).to_a, all: all, naming: naming)
      end
    end

    # With all names that there are now.
    def read_all_anew
      transaction do
        connection.execute("DELETE FROM names_read")
        KnownName.where(looked_for: false).update_all(looked_for: true)
      end
    end

    def note_read(pages)
      rows = JSON.generate(pages.map { |page| [ page.id, page.edition_id ] })
      connection.execute(sanitize_sql([ "INSERT INTO names_read (page_id, edition_id) SELECT value ->> 0, value ->> 1 FROM json_each(?) WHERE true ON CONFLICT (page_id) DO UPDATE SET edition_id = excluded.edition_id", rows ]))
    end

    def over?(ends)
      ends && clock > ends
    end

    def clock
      Process.clock_gettime(Process::CLOCK_MONOTONIC)
    end

    # @return [Hash{String, nil=>Zuhause::Links::Names}] by rules
    def all_names
      rows = KnownName.pluck(:rules, :name, :page_id).group_by(&:first)
      KnownName::RULES.index_with { |rules| Zuhause::Links::Names.new(rows.fetch(rules.to_s, []).map { |_rules, name, id| Zuhause::Links::Names::Name.new(name, id) }, rules) }
    end

    def rules_of(page)
      Zuhause::Links::Promised.rules_of(page.language)
    end

    def names_for(page)
      rules = rules_of(page)
      words = Zuhause::Links::Names.new([], rules).words(page.edition.document)
      Zuhause::Links::Names.new(KnownName.beginning(words, rules), rules)
    end

    # @return [Hash{Integer=>Array<Zuhause::Links::Names::Place>}] by the page that is named
    def places(page, names)
      names.places(page.edition.document).uniq.group_by(&:id).except(page.id)
    end

    # Pages may have been erased since they were read.
    def still_there(found)
      ids = Page.where(id: found.keys.map(&:id) | found.values.flat_map(&:keys)).ids.to_set
      found.select { |page, _places| ids.include?(page.id) }.transform_values { |places| places.select { |id, _same| ids.include?(id) } }
    end

    # @param found [Hash{Page=>Hash{Integer=>Array<Zuhause::Links::Names::Place>}}] places in each text
    def write(found, naming)
      linked = linked(found.keys)
      rows = found.flat_map do |page, places|
        named = naming.rare(places.keys.reject { |id| linked.include?([ page.id, id ]) })
        named.flat_map { |id| places.fetch(id).first(MOST) }.map { |place| { page_id: page.id, target_id: place.id, block_id: place.block, start: place.start, length: place.length } }
      end
      insert_all!(rows) if rows.any?
    end

    # A text that links to a page anywhere needs no more links to it.
    def linked(pages)
      Reference.from_editions.where(page: pages, target_kind: "page").joins('JOIN pages AS led_to ON led_to.public_id = "references".target_id').pluck(:page_id, Arel.sql("led_to.id")).to_set
    end

    # Asks the full-text index which texts may name a page, and reads those for its names alone.
    def look_for(page_id)
      names = KnownName.where(page_id: page_id).to_a
      by_rules = names.group_by(&:rules).transform_values { |rows| Zuhause::Links::Names.new(rows.map { |row| Zuhause::Links::Names::Name.new(row.name, page_id) }, rows.first.rules.presence) }
      found = naming(names).where.not(id: page_id).includes(edition: :text).limit(LOOKED_AT).to_h { |page| [ page, by_rules[rules_of(page).to_s] ? places(page, by_rules[rules_of(page).to_s]) : {} ] }
      transaction do
        where(target_id: page_id).delete_all
        write(still_there(found.reject { |_page, places| places.empty? }), Naming.new)
        KnownName.where(id: names).update_all(looked_for: true)
      end
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
