class AccessListEntry < ApplicationRecord
  include Holding

  belongs_to :access_list

  scope :lasting, ->(day = House.today) { where(ends_on: nil).or(where(ends_on: day..)) }

  # @param holders [Array<Zuhause::Access::Holder>]
  def self.naming(holders)
    by_kind = holders.group_by(&:kind)
    people, groups = %i[person group].map { |kind| by_kind.fetch(kind, []).map(&:id) }
    where(person_id: people).or(where(group_id: groups)).or(where(holder: by_kind.keys & %i[everyone anyone]))
  end
end
