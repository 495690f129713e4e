# Which access lists name somebody who keeps what they are given for: an active member, by themselves or through a group.
module KeptLists
  # @return [Set<Integer>]
  def self.ids
    able = Person.active.where(role: "member")
    keeping = AccessListEntry.where(level: :keep).lasting
    keeping.where(person_id: able.select(:id)).or(keeping.where(group_id: Membership.where(person_id: able.select(:id)).select(:group_id))).distinct.pluck(:access_list_id).to_set
  end
end
