# The rows of one holder and stage as they should be, beside those that there are: only what differs is written.
class ReferenceRows
  # @param points [Array<Zuhause::Links::Reference>]
  def self.of_text(page, stage, points)
    new({ page_id: page.id, stage: stage }, points, language: page.language)
  end

  # @return [Array<ReferenceRows>] of both texts of a page
  def self.of_page(page)
    [ of_text(page, "draft", page.draft.points), of_text(page, "edition", page.edition&.points || []) ]
  end

  # @param holder [Pointing]
  def self.set_by(holder)
    new({ stage: "set", use: holder.class.pointing_uses, **holder.pointing_as }, holder.points_to, judged: holder.pointing_judged_by)
  end

  # @param whose [Hash] by which the rows that there are are found
  # @param points [Array<Zuhause::Links::Reference>]
  # @param judged [Hash] by which page or room they are judged
  # @param language [String, nil] of the text
  def initialize(whose, points, judged: {}, language: nil)
    @whose, @points, @judged, @language = whose, points, judged, language
  end

  # @return [Integer] rows taken away and put in
  def write
    Reference.where(id: gone).delete_all if gone.any?
    Reference.put_in(named(missing)) if missing.any?
    PartsLedTo.judge_from(@whose, parts) if parts.any?
    gone.size + missing.size
  end

  # @return [Array<Hash>] as they should be
  def rows
    named(wanted)
  end

  def astray?
    gone.any? || missing.any?
  end

  private

  def gone
    compared.first
  end

  def missing
    compared.last
  end

  # @return [Array<String>] pages that something leads to a part of from now on
  def parts
    @parts ||= named(missing).filter_map { |row| row["target_id"] if row["target_block"] }.uniq
  end

  # Equal rows may stand there more than once: one for each place that says the same.
  def compared
    @compared ||= begin
      left = wanted.tally
      gone = there.reject { |_id, *row| left[row].to_i.positive? && left[row] -= 1 }.map(&:first)
      [ gone, left.flat_map { |row, times| Array.new(times) { row } } ]
    end
  end

  def there
    Reference.where(@whose).order(:id).pluck(:id, *Reference::COLUMNS)
  end

  def wanted
    own = { **@whose.slice(:page_id, :room_id, :signpost_id), **@judged }.values_at(:page_id, :room_id, :signpost_id)
    @points.map do |point|
      kind, id, block = point.target.identity(@language)
      [ *own, @whose[:stage], use(point), kind.to_s, id, block, point.target.to_s, point.block_id, point.label.to_s, point.context.to_s ]
    end
  end

  def named(rows)
    rows.map { |row| Reference::COLUMNS.zip(row).to_h }
  end

  def use(point)
    point.use.to_s.tap { |use| raise ArgumentError, "unknown use: #{use}" unless Reference::USES.include?(use) }
  end
end
