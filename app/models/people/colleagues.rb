# The people of the house, for its members: with what each tells of themselves, and which rooms they keep, of those that the asker
# sees.
class Colleagues
  # @param viewer [Viewer] an active member
  # @param text [String] words of names, of what they do, or of groups
  def initialize(viewer, text: "")
    @viewer, @words = viewer, text.to_s.downcase.split.first(8)
  end

  # @return [ActiveRecord::Relation<Person>]
  def people
    @words.reduce(Person.active.by_name) do |found, word|
      like = "%#{Person.sanitize_sql_like(word)}%"
      in_group = Membership.where(group: Group.where("groups.name LIKE ?", like)).select(:person_id)
      found.where("people.name LIKE :like OR people.occupation LIKE :like OR people.spoken LIKE :like", like: like).or(found.where(id: in_group))
    end
  end

  # @param people [Array<Person>]
  # @return [Hash{Integer=>Array<Room>}] by the person's id
  def rooms_kept_by(people)
    rooms = Room.shared.in_use.seen_by(@viewer).in_order.to_a
    keeping = AccessListEntry.where(access_list_id: rooms.map(&:access_list_id), level: :keep).lasting.pluck(:access_list_id, :person_id, :group_id)
    groups = Membership.where(group_id: keeping.filter_map(&:third), person: people).pluck(:person_id, :group_id).group_by(&:last)
    keepers = keeping.group_by(&:first).transform_values { |rows| rows.flat_map { |_list, person, group| [ person, *groups.fetch(group, []).map(&:first) ] }.compact.to_set }
    people.to_h { |person| [ person.id, person.guest? ? [] : rooms.select { |room| keepers.fetch(room.access_list_id, Set.new).include?(person.id) } ] }
  end
end
