# Titles that are linked to and not written yet, as the viewer meets them: those that most pages want first.
class PromisedPages
  # +wording+ is how it is written most often; +pages+ want it, in +places+.
  Wanted = Struct.new(:key, :wording, :pages, :places, :rooms)

  # @param viewer [Viewer]
  # @param within [ActiveRecord::Relation<Page>, nil] in whose texts
  def initialize(viewer, within: nil)
    @viewer, @within = viewer, within
  end

  # @return [Integer] titles
  def count
    titles = Reference.of_kind(:promise).select(:target_id).distinct
    Reference.from(titles, :titles).where("titles.target_id NOT IN (?)", kept.select(:title)).where(seen.where('"references".target_id = titles.target_id').arel.exists).count
  end

  # @return [Array<Wanted>]
  def titles(limit:, offset: 0)
    counted = wanted.group(:target_id).order(Arel.sql("COUNT(DISTINCT page_id) DESC"), :target_id).limit(limit).offset(offset).pluck(:target_id, Arel.sql("COUNT(DISTINCT page_id)"))
    rows = rows_of(counted.map(&:first))
    counted.map { |key, pages| wanted_from(key, pages, rows.fetch(key)) }
  end

  # @return [Array<Promise>] of titles that several pages could mean: those of pages that the viewer sees
  def ambiguous
    titles = kept.group(:title).having("COUNT(*) > 1").order(:title).limit(50).pluck(:title)
    kept.where(title: titles).includes(page: %i[room edition]).order(:title, :id).to_a
  end

  # @param title [String] in any spelling
  # @return [Wanted, nil]
  def find(title)
    rows = rows_of(Zuhause::Links::Promised.keys(title).values.uniq).values.flatten(1)
    wanted_from(rows.first.first, rows.map(&:second).uniq.size, rows) if rows.any?
  end

  private

  # A title is kept for the viewer only by a page that they see.
  def wanted
    seen.where.not(target_id: kept.select(:title))
  end

  def seen
    SeenReferences.of(Reference.of_kind(:promise), @viewer, within: @within)
  end

  # Few are, of all pages.
  def kept
    Promise.joins("CROSS JOIN pages ON pages.id = promises.page_id").merge(Page.seen_by(@viewer))
  end

  def rows_of(keys)
    wanted.where(target_id: keys).joins("JOIN rooms ON rooms.id = pages.room_id").pluck(:target_id, :page_id, :stage, :target, "rooms.name").group_by(&:first)
  end

  # What stands in draft and edition alike is one place.
  def wanted_from(key, pages, rows)
    wording = rows.map(&:fourth).tally.min_by { |target, times| [ -times, target.length, target ] }.first.delete_prefix("promise:")
    places = rows.group_by(&:second).values.sum { |of_page| of_page.group_by(&:third).values.map(&:size).max }
    Wanted.new(key, wording, pages, places, rows.map(&:last).tally.sort_by { |name, times| [ -times, name ] }.map(&:first))
  end
end
