# What the facts line tells of an audience, kept for each list: it is the same for all pages with that list, until people or
# groups change.
class ToldAudience
  # @param place [Room, Page]
  # @param viewer [Viewer]
  # @return [ToldAudience]
  def self.of(place, viewer)
    key = [ :audience, place.access_list_id, place.lowest_to_see ]
    viewer.kept_fetch(key, of: %i[people lists]) { new(place) }
  end

  # @return [Integer] how many may write
  attr_reader :writers
  # @return [Array<String>] names of people who keep it
  attr_reader :keepers

  def initialize(place)
    audience = place.audience
    @name = audience.name
    @only = audience.levels.keys.first.id if audience.levels.size == 1
    @writers = audience.at_least(:write).size
    @keepers = Person.where(id: audience.keepers.map(&:id)).by_name.pluck(:name).freeze
    @groups = Group.where(id: place.access_list.entries.select { |entry| entry.for_group? && entry.may_keep? }.map(&:group_id)).by_name.pluck(:id, :name).freeze
  end

  # @param viewer [Viewer]
  # @return [Symbol, Integer] see Zuhause::Access::Audience#name
  def name_for(viewer)
    @only && @only == viewer.person&.id && @name == 1 ? :only_me : @name
  end

  # @return [Array<String>] names of groups that keep it, of those that the viewer may know of
  def keeping_groups(viewer)
    @groups.select { |id, _name| viewer.active_member? || viewer.subject.groups.include?(id) }.map(&:last)
  end
end
