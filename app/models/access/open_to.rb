# What is open to guests, or to anyone: the lists that give them anything today.
class OpenTo
  # @return [ActiveRecord::Relation] of ids of access lists
  def self.anyone
    return AccessListEntry.none.select(:access_list_id) unless House.current.public_addresses?

    AccessListEntry.lasting.where(holder: "anyone").select(:access_list_id)
  end

  # To one guest or more, by name, by group or as anyone.
  #
  # @return [ActiveRecord::Relation] of ids of access lists
  def self.guests
    return anyone unless House.current.guests?

    guests = Person.active.guest
    named = AccessListEntry.lasting.where(person: guests).or(AccessListEntry.lasting.where(group_id: Membership.where(person: guests).select(:group_id)))
    AccessListEntry.where(id: named.select(:id)).or(AccessListEntry.where(access_list_id: anyone)).select(:access_list_id)
  end
end
