# The people of the house, for its members: with what each tells of themselves, and which rooms they keep, of those that the asker
# sees.
class Colleagues
  # What is told of somebody, in words as they are compared.
  Told = Struct.new(:id, :named, :told)
  private_constant :Told

  # @param viewer [Viewer] an active member
  # @param text [String] words, or their beginnings, of names, of what they do and speak, or of groups
  def initialize(viewer, text: "")
    @viewer, @text = viewer, text.to_s
  end

  # @return [ActiveRecord::Relation<Person>] all, if nothing is asked for
  def people
    @text.blank? ? Person.active.by_name : Person.where(id: ids_of).by_name
  end

  # What the find field offers of them.
  #
  # @param named [Boolean] by their names alone
  # @return [Array<Person>] nobody, if nothing is asked for, or to whom does not meet them all
  def found(limit:, named: false)
    return [] unless @viewer.active_member? && words.any?

    ids = ids_of(:named) if named || words.all? { |word| Zuhause::Finding::CommonWords.function?(word) }
    ids ||= ids_of
    ids.any? ? Person.where(id: ids).by_name.limit(limit).includes(picture_attachment: :blob).to_a : []
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

  private

  # Words that only hold others together do not say whom.
  def words
    @words ||= Zuhause::Finding::Folding.words(@text).first(8).then { |all| all.reject { |word| Zuhause::Finding::CommonWords.function?(word) }.presence || all }
  end

  # @param what [Symbol] their names, or all that is told of them
  # @return [Array<Integer>] of those of whom that has the words
  def ids_of(what = :told)
    return [] if words.empty?

    everybody.filter_map { |one| one.id if words.all? { |word| one[what].any? { |other| other.start_with?(word) } } }
  end

  # @return [Array<Told>] kept until somebody comes, goes or tells something else of themselves
  def everybody
    @viewer.kept_fetch([ :colleagues ], of: [ :people ]) do
      groups = Membership.joins(:group).pluck(:person_id, "groups.name").group_by(&:first).transform_values { |rows| rows.map(&:last) }
      Person.active.pluck(:id, :name, :occupation, :spoken).map { |id, name, *rest| Told.new(id, folded([ name ]), folded([ name, *rest, *groups.fetch(id, []) ])) }.freeze
    end
  end

  def folded(texts)
    texts.flat_map { |text| Zuhause::Finding::Folding.words(text.to_s) }.freeze
  end
end
