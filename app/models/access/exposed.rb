# What a change of access would open and close, told before it is done.
module Exposed
  # @param holders [Array<Zuhause::Access::Holder>]
  # @param level [Symbol] that each of them is given here; :none takes what they have
  # @param ends_on [Date, nil] the last day on which it counts
  # @param instead [AccessGrant, nil] which it takes the place of
  # @return [Zuhause::Access::Exposure]
  # @raise [Placed::NoKeeper] if nobody who keeps it for good would be left
  def exposure_of_giving(holders, level, ends_on: nil, instead: nil)
    grants = grants_after(holders, level, ends_on: ends_on, instead: instead)
    raise Placed::NoKeeper if keeps_itself? && !Exposed.kept?(Zuhause::Access::List.new(grants))

    exposure_with(grants)
  end

  # @param given [Array<Zuhause::Access::Grant>] besides what is given here
  # @return [Zuhause::Access::Exposure]
  # @raise [Placed::NoKeeper]
  def exposure_of_grants(given)
    grants = grants_with(given)
    raise Placed::NoKeeper if keeps_itself? && !Exposed.kept?(Zuhause::Access::List.new(grants))

    exposure_with(grants)
  end

  # @return [Array<Zuhause::Access::Grant>] what it would grant itself
  def grants_with(given)
    given.reduce(access_grants.reload.map(&:to_grant)) { |grants, grant| Zuhause::Access.giving(grants, grant) }
  end

  # @return [Array<Zuhause::Access::Grant>] what it would grant itself, see Zuhause::Access.giving
  def grants_after(holders, level, ends_on: nil, instead: nil)
    rows = access_grants.reload.to_a
    return (rows - [ instead ]).map(&:to_grant) if level == :none && instead

    holders.reduce((rows - [ instead ]).map(&:to_grant)) { |grants, holder| Zuhause::Access.giving(grants, Zuhause::Access::Grant.new(holder, level, (ends_on unless level == :none))) }
  end

  # What a change of people, groups or switches would open and close in the whole house.
  #
  # @param people_after [Hash{Integer=>Zuhause::Access::Viewer}] those whom it makes different, by id
  # @return [Zuhause::Access::Exposure]
  def self.of_house(people_after: {}, switches_after: House.current.switches)
    counts = Page.kept.group(:access_list_id, Arel.sql("edition_id IS NOT NULL")).count
    lists = AccessList.lists(counts.keys.map(&:first))
    touched = counts.map { |(list, published), number| Zuhause::Access::Exposure::Touched.new(before: lists.fetch(list), after: lists.fetch(list), published: published == 1, number: number) }
    Zuhause::Access::Exposure.new(touched, Person.viewers, House.current.switches, people_after: people_after, switches_after: switches_after)
  end

  # @param list [Zuhause::Access::List]
  # @return [Boolean] whether a place that grants it is kept by somebody, and for good
  def self.kept?(list)
    Zuhause::Access::Audience.new(list, Person.viewers, House.current.switches.for_good).keepers.any?
  end
end
