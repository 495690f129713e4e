# Which access lists name somebody who keeps what they are given for: an active member, by themselves or through a group.
module KeptLists
  # @param viewer [Viewer] who asks, for whom it is kept in mind
  # @return [Set<Integer>]
  def self.ids(viewer)
    viewer.kept_fetch([ :kept_lists ], of: %i[people lists]) do
      able, keeping = Person.active.where(role: "member"), AccessListEntry.where(level: :keep).lasting
      keeping.where(person_id: able.select(:id)).or(keeping.where(group_id: Membership.where(person_id: able.select(:id)).select(:group_id))).distinct.pluck(:access_list_id).to_set.freeze
    end
  end
end
