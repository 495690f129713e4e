# What somebody has been told, of what they may see now: by page or room, the latest first.
class NewsList
  # What was told of one place: +place+ is a page or a room; +tellings+ are of one kind, meant for somebody or not, the latest of them;
  # +acts+: how often each act was told, and +actors+: how many people did it, all of them counted.
  Group = Struct.new(:place, :tellings, :acts, :actors, keyword_init: true) do
    # @param tellings [Array<Telling>] all of one place, the latest first
    def self.of(tellings)
      new(place: tellings.first.told_of, tellings: tellings, acts: tellings.map { |telling| telling.happening.act }.tally, actors: tellings.map { |telling| telling.happening.person }.uniq.size)
    end

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

    # @return [Person, nil] who did it last
    def actor
      newest.happening.person
    end
  end

  SHOWS = { "unseen" => nil, "mine" => Telling::Reasons::PERSONAL, "kept" => %i[keeping], "followed" => %i[following], "all" => nil }.freeze
  LOADED = 12 # tellings of one group that are looked up
  LISTED = 500 # the latest tellings of somebody, which are listed
  KEY = %i[place personal].freeze

  attr_reader :show

  # @param show [String, nil] a key of {SHOWS}
  def initialize(viewer, show: nil)
    @viewer, @show = viewer, SHOWS.key?(show) ? show : "unseen"
  end

  # @return [Integer] groups
  def count
    @count ||= told.distinct.pluck(*KEY).size
  end

  # @return [Array<Group>]
  def groups(limit:, offset: 0)
    keys = told.group(*KEY).order(Arel.sql("MAX(tellings.happened_at) DESC, MAX(tellings.happening_id) DESC")).limit(limit).offset(offset).pluck(*KEY)
    return [] if keys.empty?

    found, acts, actors = loaded(keys).group_by { |telling| key_of(telling) }, acts_of(keys), actors_of(keys)
    keys.filter_map { |key| found[key]&.then { |tellings| Group.new(place: tellings.first.told_of, tellings: tellings, acts: acts.fetch(key), actors: actors.fetch(key, 1)) } }
  end

  # Marks as looked at: all of the kind that is listed, or what was told of one place.
  #
  # @param place [Page, Room, nil]
  def look_at(place = nil, at: Time.current)
    marked = Telling.seen_by(@viewer).unseen
    marked = marked.where(reason: SHOWS.fetch(show)) if SHOWS.fetch(show)
    marked = marked.where(place.is_a?(Page) ? { page_id: place.id } : { page_id: nil, room_id: place.id }) if place
    Telling.where(id: marked.select(:id)).update_all(seen_at: at)
  end

  private

  # Judged once, for all that is asked of it.
  def told
    @told ||= Telling.where(id: Telling.seen_by(@viewer).where(id: latest.select(:id)).ids)
  end

  # Of all that they have been told, seen or not any more: so much that what is left of it fills some screens.
  def latest
    found = Telling.where(person: @viewer.person)
    found = found.unseen if show == "unseen"
    found = found.where(reason: SHOWS.fetch(show)) if SHOWS.fetch(show)
    found.order(happened_at: :desc, id: :desc).limit(LISTED)
  end

  def of_places(keys)
    told.where(place: keys.map(&:first).uniq)
  end

  # The latest of each group.
  def loaded(keys)
    ranked = of_places(keys).select("tellings.*", "ROW_NUMBER() OVER (PARTITION BY tellings.place, tellings.personal ORDER BY tellings.happened_at DESC, tellings.happening_id DESC) AS place_in_group")
    Telling.from(ranked, :tellings).where("place_in_group <= ?", LOADED).order(:place_in_group).includes(:room, happening: :person, page: %i[room edition]).to_a
  end

  # @return [Hash{Array=>Hash{String=>Integer}}] how often each act was told of each group
  def acts_of(keys)
    counted = of_places(keys).joins(:happening).group(*KEY, "happenings.act").order(Arel.sql("MAX(tellings.happened_at) DESC")).count
    counted.each_with_object(Hash.new { |acts, key| acts[key] = {} }) { |((place, personal, act), count), acts| acts[[ place, personal ]][act] = count }
  end

  # @return [Hash{Array=>Integer}] how many people did what was told of each group
  def actors_of(keys)
    of_places(keys).joins(happening: :actor).group(*KEY).distinct.count("happening_actors.person_id")
  end

  def key_of(telling)
    [ telling.place, telling.personal ]
  end
end
