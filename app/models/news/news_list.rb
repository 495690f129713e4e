# What somebody has been told, of what they may see now: by page or room, the latest first.
class NewsList
  # What was told of one place: +place+ is a page or a room; +tellings+ are of one kind, meant for somebody or not.
  Group = Struct.new(:place, :tellings, keyword_init: true) do
    # @return [Telling] the latest
    def newest
      tellings.first
    end

    def unseen?
      tellings.any? { |telling| telling.seen_at.nil? }
    end

    def personal?
      newest.personal?
    end

    # @return [Hash{Array<String>=>Integer}] how often each act was done
    def acts
      tellings.map { |telling| telling.happening.act }.tally
    end

    # @return [Array<Person, nil>] who did it, whoever did it last first
    def people
      tellings.map { |telling| telling.happening.person }.uniq
    end
  end

  SHOWS = { "unseen" => nil, "mine" => Telling::Reasons::PERSONAL, "kept" => %i[keeping], "followed" => %i[following], "all" => nil }.freeze
  LOADED = 50 # tellings of one group
  PLACE = Arel.sql("COALESCE(happenings.page_id, -happenings.room_id)")
  PERSONAL = Arel.sql("tellings.reason IN (#{Telling::Reasons::PERSONAL.map { |reason| "'#{reason}'" }.join(", ")})")

  attr_reader :show

  # @param show [String, nil] a key of {SHOWS}
  def initialize(viewer, show: nil)
    @viewer, @show = viewer, SHOWS.key?(show) ? show : "unseen"
  end

  # @return [Integer] groups
  def count
    @count ||= told.distinct.count(Arel.sql("#{PLACE} || ' ' || (#{PERSONAL})"))
  end

  # @return [Array<Group>]
  def groups(limit:, offset: 0)
    keys = told.group(PLACE, PERSONAL).order(Arel.sql("MAX(happenings.created_at) DESC, MAX(tellings.happening_id) DESC")).limit(limit).offset(offset).pluck(PLACE, PERSONAL)
    found = loaded(keys).group_by { |telling| key_of(telling) }
    keys.filter_map { |key| found[key]&.then { |tellings| Group.new(place: tellings.first.place, tellings: tellings) } }
  end

  # Marks as looked at: all that is listed, or what was told of one place.
  #
  # @param place [Page, Room, nil]
  def look_at(place = nil, at: Time.current)
    marked = told.unseen
    marked = marked.where(happenings: place.is_a?(Page) ? { page_id: place.id } : { page_id: nil, room_id: place.id }) if place
    Telling.where(id: marked.select(:id)).update_all(seen_at: at)
  end

  private

  def told
    found = Telling.seen_by(@viewer)
    found = found.unseen if show == "unseen"
    SHOWS.fetch(show) ? found.where(reason: SHOWS.fetch(show)) : found
  end

  # The latest of each group.
  def loaded(keys)
    return [] if keys.empty?

    ranked = told.where(Arel.sql("(#{PLACE}) IN (#{keys.map { |place, _personal| place.to_i }.uniq.join(", ")})"))
                 .select("tellings.*", "ROW_NUMBER() OVER (PARTITION BY #{PLACE}, #{PERSONAL} ORDER BY happenings.created_at DESC, happenings.id DESC) AS place_in_group")
    Telling.from(ranked, :tellings).where("place_in_group <= ?", LOADED).order(:place_in_group).includes(happening: [ :person, :room, { page: :room } ]).to_a
  end

  def key_of(telling)
    [ telling.happening.page_id || -telling.happening.room_id, telling.personal? ? 1 : 0 ]
  end
end
