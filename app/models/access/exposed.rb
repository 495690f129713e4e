# What a change of access would open and close, told before it is done.
module Exposed
  # @param holders [Array<Zuhause::Access::Holder>]
  # @param level [Symbol] that each of them is given here; :none takes what they have
  # @return [Zuhause::Access::Exposure]
  # @raise [Placed::NoKeeper] if nobody who keeps it would be left
  def exposure_of_giving(holders, level)
    grants = access_grants.reload.map(&:to_grant).reject { |grant| holders.include?(grant.holder) }
    grants += holders.map { |holder| Zuhause::Access::Grant.new(holder, level) } unless level == :none
    raise Placed::NoKeeper if keeps_itself? && !Exposed.kept?(Zuhause::Access::List.new(grants))

    exposure_with(grants)
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
  # @return [Boolean] whether a place that grants it is kept by somebody
  def self.kept?(list)
    Zuhause::Access::Audience.new(list, Person.viewers, House.current.switches).keepers.any?
  end
end
