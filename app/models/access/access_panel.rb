# Who can get into a page or room, by level and with the reason, as far as the asker may know.
class AccessPanel
  Row = Struct.new(:person, :level, :judgement, keyword_init: true)

  EVENTS = 10

  attr_reader :place

  def initialize(place, viewer)
    @place = place
    @viewer = viewer
  end

  def audience_name
    audience.name(asker: @viewer.person&.id)
  end

  # @return [Boolean] whether names are told: to members
  def names?
    @viewer.active_member?
  end

  # @return [Hash{Symbol=>Array<Row>}] rows by level, highest first
  def rows
    people = Person.where(id: audience.levels.keys.map(&:id)).by_name.index_by(&:id)
    rows = audience.levels.map do |subject, level|
      Row.new(person: people.fetch(subject.id), level: level, judgement: Zuhause::Access.judge(subject, core_place, switches))
    end
    rows.sort_by { |row| row.person.name }.group_by(&:level).sort_by { |level, _| -Zuhause::Access::Level.rank(level) }.to_h
  end

  # @return [Row] why somebody can or cannot get in
  def check(person)
    judgement = Zuhause::Access.judge(person.to_viewer, core_place, switches)
    sees = Zuhause::Access::Level.at_least?(judgement.level, place.lowest_to_see)
    Row.new(person: person, level: sees ? judgement.level : :none, judgement: judgement)
  end

  # @return [Array<AccessGrant>] given here
  def grants
    @grants ||= place.access_grants.includes(:person, :group).sort_by { |grant| [ -AccessGrant.levels.fetch(grant.level), grant.to_grant.holder.rank, grant.id ] }
  end

  # @return [Array<AccessGrant>] that come from above, nearest first
  def grants_from_above
    above = core_place.reach.drop(1).map(&:id)
    grants = AccessGrant.where(room: above.grep(Room)).or(AccessGrant.where(page: above.grep(Page))).includes(:person, :group, :room, :page).order(:id)
    grants.sort_by { |grant| above.index(grant.place) }
  end

  # @return [Array<Happening>] what was changed here lately
  def happenings
    @happenings ||= Happening.of_place(place).of_access.newest_first.includes(:person).limit(EVENTS).to_a
  end

  # The names of all who are named in events and in reasons, looked up together.
  #
  # @param holder [Zuhause::Access::Holder] a person or a group
  # @return [String, nil]
  def name_of_holder(holder)
    @holder_names ||= { person: Person.pluck(:id, :name).to_h, group: Group.pluck(:id, :name).to_h }
    @holder_names.fetch(holder.kind)[holder.id]
  end

  # @param other [Room, Page] a place that the page's access comes from
  # @return [String, nil] its name, if the asker sees it
  def name_of(other)
    return other.name if other.is_a?(Room)

    other.title if other.id == place.id || @viewer.sees?(other)
  end

  def holder_choices
    people = Person.active.by_name.map { |person| [ person.name, "person:#{person.public_id}" ] }
    groups = Group.by_name.map { |group| [ group.name, "group:#{group.public_id}" ] }
    { groups: groups, people: people }
  end

  private

  def audience
    @audience ||= place.audience
  end

  def core_place
    @core_place ||= place.to_place
  end

  def switches
    @viewer.switches
  end
end
