# Pages that stand already where others of the same title are to be made: in the same place, or else once in the room. It is decided of
# each whether both stand, ours stays alone, or theirs waits in the draft of ours.
class ArrivalClashes
  WAYS = %w[both ours theirs].freeze
  # +above+ are the titles of what stands above the page, as far as whoever brings this may write there.
  Clash = Struct.new(:file, :page, :above, keyword_init: true)

  # @param arrival [Arrival]
  # @param to [Room, Page] where its pages are to stand
  def initialize(arrival, to)
    @arrival, @to = arrival, to
    @viewer = Viewer.new(arrival.person)
  end

  # @return [Array<Clash>] only with pages that whoever brought it may write; in the order of the tree
  def found
    @found ||= files.filter_map { |file| there(file)&.then { |page| Clash.new(file: file, page: page, above: above(page)) } }
  end

  # Keeps what was decided, in place of what was decided before.
  #
  # @param all [String] of {WAYS}, where nothing else is said
  # @param each [Hash{String=>String}] by keys of files
  def decide(all:, each: {})
    ways = found.to_h { |clash| [ clash, ([ each[clash.file.key], all ].find { |way| WAYS.include?(way) } || "both") ] }
    Arrival.transaction do
      forget
      ways.each { |clash, way| keep(clash, way) }
    end
  end

  private

  # What was decided for another place holds no more.
  def forget
    decided.update_all(clash: nil, known_page_id: nil, page_id: nil, same: false, left_out: false)
  end

  def decided
    @arrival.files.where.not(clash: nil)
  end

  def keep(clash, way)
    return if way == "both"

    ours = way == "ours"
    ArrivedFile.where(id: clash.file.id).update_all(clash: way, known_page_id: clash.page.id, page_id: clash.page.id, same: ours, left_out: ours)
  end

  # Texts and folders that are to be made, those above first; what was decided of some before is asked again.
  def files
    @files ||= begin
      places = @arrival.files.places.light.where(problem: nil).order(:position, :id).to_a
      @by_id = places.index_by(&:id)
      places.reject { |file| file.clash.nil? && (file.left_out || file.known_page_id) }
    end
  end

  def there(file)
    return unless file.title

    in_place(file) || (once[key(file.title)] if alike[key(file.title)] == 1)
  end

  # @return [Page, nil] of the same title in the very place where it is to stand
  def in_place(file)
    @in_place ||= {}
    return @in_place[file.id] if @in_place.key?(file.id)

    above = file.above_id && @by_id[file.above_id]
    place = above ? in_place(above)&.id : (@to.id if @to.is_a?(Page))
    @in_place[file.id] = (by_place[[ place, key(file.title.to_s) ]] if above.nil? || place)
  end

  def above(page)
    @titles ||= pages.to_h { |each| [ each.id, each.title ] }
    @titles.values_at(*page.ancestor_ids).compact
  end

  def by_place
    @by_place ||= pages.index_by { |page| [ page.parent_id, key(page.title) ] }
  end

  def once
    @once ||= pages.group_by { |page| key(page.title) }.transform_values { |those| those.first if those.one? }
  end

  def alike
    @alike ||= files.map { |file| key(file.title.to_s) }.tally
  end

  def pages
    @pages ||= Page.writable_by(@viewer).where(room_id: @to.is_a?(Room) ? @to.id : @to.room_id).select(:id, :public_id, :title, :ancestry, :room_id).order(id: :desc).to_a
  end

  def key(title)
    Zuhause::Links::Promised.key(title)
  end
end
