# Whoever makes a request: a person or somebody who is not signed in, with what they may see worked out once.
class Viewer
  LEVELS = { read: 1, comment: 2, write: 3, keep: 4 }.freeze

  attr_reader :person, :house, :subject

  delegate :switches, to: :house
  delegate :fetch, :put, to: :kept, prefix: true
  delegate :administrator?, :active_member?, to: :subject

  def initialize(person, house = House.current)
    @person = person
    @house = house
    @kept = Kept.new
    @subject = person ? person.to_viewer(groups) : Zuhause::Access::Viewer.outside
    @list_ids, @listed, @seeing = {}, {}, {}
  end

  def signed_in?
    !person.nil?
  end

  # @return [Boolean] whether what is said is met: by people of the house
  def hears?
    signed_in?
  end

  # @return [Boolean] whether somebody else looks, see LookingViewer
  def looking?
    false
  end

  # @param level [Symbol]
  # @return [Set<Integer>] the access lists that give this viewer the level or more
  def list_ids(level)
    @list_ids[level] ||= levels.filter_map { |list, given| list if LEVELS.fetch(given) >= LEVELS.fetch(level) }.to_set
  end

  # The same as a condition on a table's access lists, written out: bound one by one, some thousand numbers would take
  # longer than the query.
  def listed(table, level)
    Arel::Nodes::In.new(table[:access_list_id], (@listed[level] ||= Arel.sql(list_ids(level).join(",")).freeze))
  end

  # What is read by it, see Page.read_by, as a condition on the table of pages under any name.
  def reading(table)
    listed(table, :read).and(table[:bin_root_id].eq(nil)).and(table[:edition_id].not_eq(nil))
  end

  # What gives a sight by the rules of Zuhause::Access::Sight, as a condition on pages that are not in the bin: asked of many times on
  # one screen, and worked out once.
  #
  # @param sight [Symbol]
  # @return [Arel::Nodes::Node]
  def seeing(sight)
    @seeing[sight] ||= begin
      rules = Zuhause::Access::Sight.giving(sight).reject { |rule| rule.reviewer && reviewed_ids.empty? }
      Page.arel_table[:bin_root_id].eq(nil).and(Arel::Nodes::Grouping.new(rules.map { |rule| by_rule(rule) }.inject(:or)))
    end
  end

  # @param place [Room, Page]
  # @return [Symbol] the level there
  def level_on(place)
    levels.fetch(place.access_list_id, :none)
  end

  # @return [Symbol] what is seen of a page: :nothing, :edition or :draft
  def sight_of(page)
    level = level_on(page)
    Zuhause::Access::Sight.of(level, published: page.published?, binned: page.binned?, reviewer: %i[read comment].include?(level) && reviewed_ids.include?(page.id))
  end

  # @return [Array<Integer>] ids of pages whose open review this viewer could decide
  def reviewed_ids
    @reviewed_ids ||= signed_in? ? kept_of_reviews(:reviewed) { Review.page_ids_for(self, groups: groups) } : []
  end

  # @return [Array<Array(Integer, Boolean)>] see ReviewQueue.order
  def reviews_waiting
    @reviews_waiting ||= reviewed_ids.any? ? kept_of_reviews(:waiting) { ReviewQueue.order(self) } : []
  end

  def sees?(page)
    sight_of(page) != :nothing
  end

  # @return [Hash{Integer=>Integer}] see RecentPages
  def recent_pages
    @recent_pages ||= RecentPages.ranks(self)
  end

  # @return [Array<String>] schemes of places that are no sites, and that pages may link to
  def schemes
    house.schemes.split
  end

  # @return [Boolean] whether links to other sites open in a new tab
  def sites_apart?
    person&.sites_apart.nil? ? house.sites_apart? : person.sites_apart
  end

  # @param person [Person]
  # @return [Boolean] whether the person's name is told
  def meets?(person)
    Zuhause::Access::Acquaintance.meets?(subject, person.id, acting: ->(id) { acting.include?(id) })
  end

  # @return [ActiveRecord::Relation<Person>] everybody active whose name is told
  def people
    return Person.active if active_member?

    signed_in? && subject.role == :guest ? Person.active.where(id: [ person.id, *acting ]) : Person.none
  end

  private

  # Ids of those who write or keep what is read.
  def acting
    @acting ||= begin
      readable = Page.read_by(self)
      keepers = AccessListEntry.where(access_list_id: readable.select(:access_list_id), level: :keep).lasting.where.not(person_id: nil)
      (Edition.where(page: readable).distinct.pluck(:author_id) + keepers.distinct.pluck(:person_id)).to_set
    end
  end

  attr_reader :kept

  def by_rule(rule)
    pages = Page.arel_table
    held = [ listed(pages, rule.level), (pages[:id].in(reviewed_ids) if rule.reviewer), (pages[:edition_id].not_eq(nil) if rule.published) ]
    Arel::Nodes::And.new(held.compact)
  end

  # Whoever stands in for somebody does so for some days.
  def kept_of_reviews(name, &block)
    kept.fetch([ name, person.id, Date.current ], of: %i[people lists rooms pages reviews]) { block.call.freeze }
  end

  def groups
    kept.fetch([ :groups, person.id ], of: [ :people ]) { person.new_record? ? [] : person.memberships.pluck(:group_id).freeze }
  end

  # @return [Hash{Integer=>Symbol}] the level that each access list gives, of those that give any
  def levels
    @levels ||= kept.fetch([ :levels, self.class.name, subject.id, subject.role, subject.suspended?, switches.to_a ], of: %i[people lists]) do
      entries.each_with_object({}) do |(list, grant), found|
        given = effect(grant)
        found[list] = given if given != :none && LEVELS.fetch(given) > LEVELS.fetch(found[list], 0)
      end.freeze
    end
  end

  def entries
    holders = subject.holders(:read, switches)
    return [] if holders.empty?

    AccessListEntry.naming(holders).pluck(:access_list_id, :holder, :person_id, :group_id, :level, :ends_on)
                   .map { |list, kind, person, group, level, ends_on| [ list, Zuhause::Access::Grant.new(Zuhause::Access::Holder.new(kind.to_sym, person || group), level.to_sym, ends_on) ] }
  end

  def effect(grant)
    @effects ||= {}
    @effects[grant] ||= subject.effect(grant, switches).first
  end
end
