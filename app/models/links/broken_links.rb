# Links inside the house that lead nowhere: to pages that were erased or wait in the bin, to parts and files that are gone.
class BrokenLinks
  # What is led to and is not there: why (:erased, :binned, :part, :file), the target, and the page that it is, or is part of.
  Broken = Struct.new(:reason, :target, :page, :label, :pages) do
    # @return [Boolean] whether it is a page with all its parts
    def whole?
      reason.in?(%i[erased binned])
    end

    # @return [String] the public id in it
    def id
      target[/:([a-z0-9]{10})/, 1]
    end
  end

  # Where they stand: of a page that is not there, all that leads to any part of it.
  class Places
    # @param all [Array<Broken>]
    def initialize(all, viewer)
      whole, parts = all.partition(&:whole?)
      @of_pages, @of_targets = PlacesLedFrom.new(:target_id, whole.map(&:id), viewer), PlacesLedFrom.new(:target, parts.map(&:target), viewer)
    end

    def of(broken)
      broken.whole? ? @of_pages.of(broken.id) : @of_targets.of(broken.target)
    end

    def own?(place)
      [ @of_pages, @of_targets ].any? { |places| places.own?(place) }
    end

    def writable?(broken)
      broken.whole? ? @of_pages.writable?(broken.id) : @of_targets.writable?(broken.target)
    end
  end

  # @param viewer [Viewer]
  # @param within [ActiveRecord::Relation<Page>, nil] in whose texts
  def initialize(viewer, within: nil)
    @viewer, @within = viewer, within
  end

  # @return [Integer] of targets
  def count
    @all ? all.size : erased.size + binned.size + parts_told.size + files.size
  end

  # @return [Array<Broken>]
  def targets(limit:, offset: 0)
    all.slice(offset, limit) || []
  end

  # @return [Array<Array(Integer, String)>] published pages, and what each leads to that is not there
  def rows_of_editions
    whole, published = [ *erased, *binned ].map(&:id), Reference.from_editions
    rows = whole.any? ? references_of(published.where(target_kind: "page", target_id: whole)).distinct.pluck(:page_id, Arel.sql("'page:' || target_id")) : []
    rows + [ gone_parts(published), gone_files(published.of_kind(:file)) ].flat_map { |gone| gone.distinct.pluck(:page_id, :target) }
  end

  private

  # One for each target; what is in both texts of a page counts once.
  def all
    @all ||= [ *erased, *binned, *parts, *files ].sort_by { |broken| [ -broken.pages, broken.target ] }
  end

  def seen
    references_of(Reference.in_texts)
  end

  def references_of(some)
    SeenReferences.of(some, @viewer, within: @within)
  end

  # Only those it was open to learn that a page is gone.
  def erased
    rows = of_pages(seen.where(target_kind: "page").where(target_id: Tombstone.select(:public_id)).where.not(target_id: Forwarding.of_pages.select(:from_page)))
    met = Tombstone.met_by(@viewer, rows.map { |target, *| id_of(target) }.uniq)
    rows.filter_map { |target, pages, label| Broken.new(:erased, target, nil, label, pages) if met.include?(id_of(target)) }
  end

  # Whoever could put it back learns that it is in the bin.
  def binned
    pages = Page.in_bin_of(@viewer).where.not(public_id: Forwarding.of_pages.select(:from_page)).index_by(&:public_id)
    of_pages(seen.where(target_kind: "page", target_id: pages.keys)).map { |target, count, label| Broken.new(:binned, target, pages.fetch(id_of(target)), label, count) }
  end

  def parts
    rows = parts_told
    pages = Page.where(public_id: rows.map { |target, *| id_of(target) }).includes(:edition).index_by(&:public_id)
    rows.map { |target, count, label| Broken.new(:part, target, pages.fetch(id_of(target)), label, count) }
  end

  def parts_told
    grouped(gone_parts(Reference.in_texts))
  end

  def files
    grouped(gone_files(Reference.of_kind(:file).in_texts)).map { |target, count, label| Broken.new(:file, target, nil, label, count) }
  end

  # Of pages that the viewer sees.
  def gone_parts(some)
    there = Page.seen_by(@viewer).where('pages.public_id = "references".target_id')
    references_of(some).where("part_gone").where(there.arel.exists)
  end

  # A file that is there and closed to the viewer is no broken link.
  def gone_files(some)
    references_of(some).where.not(target_id: PageFile.select(:public_id))
  end

  # Of a page that is not there all parts are gone.
  def of_pages(rows)
    rows.group(:target_id).pluck(Arel.sql("'page:' || target_id"), Arel.sql("COUNT(DISTINCT page_id)"), Arel.sql("MAX(label)"))
  end

  def grouped(rows)
    rows.group(:target).pluck(:target, Arel.sql("COUNT(DISTINCT page_id)"), Arel.sql("MAX(label)"))
  end

  def id_of(target)
    target[/:([a-z0-9]{10})/, 1]
  end
end
