# Whom places are open to, in short, for many at once: worked out once for each list, and kept until people or groups change.
class Openness
  # +name+: see Zuhause::Access::Audience#name; +only+: the id of whoever is the only one; +guests+: how many are among them.
  Told = Struct.new(:name, :only, :guests, keyword_init: true)

  class << self
    # @param places [Array<Room, Page, Branch::Leaf>]
    # @param viewer [Viewer]
    # @return [Hash{Room, Page, Branch::Leaf=>Array(Symbol|Integer, Integer)}] :anyone, :everyone, :only_me or how many people, and how
    #   many of them are guests
    def of(places, viewer)
      found = places.map { |place| key(place) }.uniq.index_with { |key| viewer.kept_fetch([ :openness, *key ], of: %i[people lists]) { nil } }
      missing = found.select { |_key, told| told.nil? }.keys
      found.merge!(told(missing, viewer)) if missing.any?
      places.index_with { |place| name_for(viewer, found.fetch(key(place))) }
    end

    private

    def key(place)
      [ place.access_list_id, place.lowest_to_see ]
    end

    def told(keys, viewer)
      lists, people = AccessList.lists(keys.map(&:first)), viewer.kept_fetch([ :people ], of: [ :people ]) { Person.viewers.freeze }
      keys.to_h do |list, lowest|
        audience = Zuhause::Access::Audience.new(lists.fetch(list), people, viewer.switches, lowest: lowest)
        told = Told.new(name: audience.name, only: (audience.levels.keys.first.id if audience.levels.one?), guests: audience.guests.size).freeze
        [ [ list, lowest ], viewer.kept_put([ :openness, list, lowest ], told, of: %i[people lists]) ]
      end
    end

    def name_for(viewer, told)
      [ told.name == 1 && told.only && told.only == viewer.person&.id ? :only_me : told.name, told.guests ]
    end
  end
end
