# The house in plain values: acts are applied to it one after the other, in the order in which the database took them, by
# rules that are written down here a second time. Afterwards it and the house must say the same.
class PlainHouse
  Page = Struct.new(:above, :root, :text, :editions, :own, :grants, :tags, keyword_init: true)

  attr_reader :pages

  # @param rooms [Array<Room>] as they are before anything is done
  def initialize(rooms, people, group)
    @rooms = rooms.to_h { |room| [ room.id, grants_of(room) ] }
    @people = people.to_h { |person| [ person.id, { groups: person.groups.ids, suspended: person.suspended? } ] }
    @group = group.id
    @pages = ::Page.order(:id).to_h do |page|
      [ page.id, Page.new(above: page.parent_id || [ page.room_id ], text: page.draft.save_id, editions: page.editions.count, own: page.own_list?, grants: grants_of(page), tags: [], root: page.bin_root_id) ]
    end
  end

  # @param act [Array] its name, and what it was about
  def apply(act)
    name, *about = act
    send(name, *about)
  end

  def begin(id, above)
    @pages[id] = Page.new(above: above, text: "begin", editions: 0, own: false, grants: {}, tags: [])
  end

  def save(id, text, taken)
    @pages.fetch(id).text = text if taken
  end

  def publish(id)
    @pages.fetch(id).editions += 1
  end

  def move(id, above)
    @pages.fetch(id).above = above
  end

  def bin(id, by)
    return if @pages.fetch(id).root

    staying = outermost(below(id).reject { |each| @pages[each].root || writes?(by, each) })
    staying.each { |each| @pages[each].above = @pages[id].above }
    [ id, *below(id) ].each { |each| @pages[each].root ||= id }
  end

  def back(id, above)
    move(id, above) if above
    @pages.each_value { |page| page.root = nil if page.root == id }
  end

  def erase(id, by)
    set_aside = outermost(below(id).select { |each| @pages[each].root == id && !writes?(by, each) })
    set_aside.each { |top| [ top, *below(top) ].each { |each| @pages[each].root = top if @pages[each].root == id } }
    place = above_kept(id)
    outermost(below(id).reject { |each| @pages[each].root == id }).each { |each| @pages[each].above = place }
    @pages.delete_if { |_id, page| page.root == id }
  end

  def copy(id, from, above)
    self.begin(id, above)
    @pages[id].text = nil # whose save is not known by name
    @pages[id].tags = @pages.fetch(from).tags
  end

  def tag(id, tags)
    @pages.fetch(id).tags = tags
  end

  # @param place [Integer, Array(Integer)] a page, or a room
  def grant(place, holder, level)
    grants = place.is_a?(Array) ? @rooms.fetch(place.first) : @pages.fetch(place).grants
    level == :none ? grants.delete(holder) : grants[holder] = level
  end

  def own(id, by)
    page = @pages.fetch(id)
    page.grants = in_force(id).merge([ :person, by ] => :keep)
    page.own = true
  end

  def shared(id)
    @pages.fetch(id).own = false
    @pages.fetch(id).grants = {}
  end

  def join(people)
    @people.each { |id, person| person[:groups] = people.include?(id) ? [ @group ] : [] }
  end

  def suspend(person, suspended)
    @people.fetch(person)[:suspended] = suspended
  end

  # @return [Hash] of what is there, as {.of} tells it of the house
  def to_h
    @pages.transform_values { |page| { above: page.above, root: page.root, editions: page.editions, own: page.own, tags: page.tags.sort } }
  end

  # @return [Hash{Integer=>String}] the save that each page's draft came by, as far as it is known by name
  def texts
    @pages.transform_values(&:text).compact
  end

  # @return [Array<Integer>] pages that somebody sees
  def seen_by(person)
    @pages.keys.select { |id| @pages[id].root.nil? && Zuhause::Access::Level.at_least?(level(person, id), @pages[id].editions.positive? ? :read : :write) }
  end

  # The same of the house as it is.
  def self.of_house
    editions = Edition.group(:page_id).count
    ::Page.includes(:tags).to_h { |page| [ page.id, { above: page.parent_id || [ page.room_id ], root: page.bin_root_id, editions: editions.fetch(page.id, 0), own: page.own_list?, tags: page.tags.map(&:name).sort } ] }
  end

  private

  def grants_of(place)
    place.access_grants.to_h { |grant| [ [ grant.holder.to_sym, grant.person_id || grant.group_id ], grant.level.to_sym ] }
  end

  def children(id)
    @pages.keys.select { |each| @pages[each].above == id }
  end

  def below(id)
    children(id).flat_map { |each| [ each, *below(each) ] }
  end

  def path(id)
    above = @pages.fetch(id).above
    above.is_a?(Array) ? [ id ] : [ id, *path(above) ]
  end

  def outermost(ids)
    ids.reject { |id| (path(id).drop(1) & ids).any? }
  end

  def above_kept(id)
    page = path(id).drop(1).find { |each| @pages[each].root.nil? }
    page || @pages[path(id).last].above
  end

  # The highest of each holder, from the page up to the first own list, or to the room.
  def in_force(id)
    chain = path(id)
    stop = chain.index { |each| @pages[each].own }
    lists = (stop ? chain.first(stop + 1) : chain).map { |each| @pages[each].grants }
    lists << @rooms.fetch(@pages[chain.last].above.first) unless stop
    lists.reduce({}) { |all, grants| all.merge(grants) { |_holder, one, other| Zuhause::Access::Level.higher(one, other) } }
  end

  def level(person, id)
    known = @people.fetch(person)
    return :none if known[:suspended]

    holders = [ [ :person, person ], [ :everyone, nil ], *known[:groups].map { |group| [ :group, group ] } ]
    in_force(id).filter_map { |holder, level| holder.first == :everyone ? Zuhause::Access::Level.lower(level, :write) : level if holders.include?(holder) }.reduce(:none) { |one, other| Zuhause::Access::Level.higher(one, other) }
  end

  def writes?(person, id)
    Zuhause::Access::Level.at_least?(level(person, id), :write)
  end
end
