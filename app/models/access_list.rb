# What places effectively grant, one row for all places that grant the same (Zuhause::Access::List).
class AccessList < ApplicationRecord
  has_many :entries, class_name: "AccessListEntry", dependent: :delete_all
  has_many :rooms
  has_many :pages

  # @param list [Zuhause::Access::List]
  # @return [AccessList] the row for it
  def self.for(list)
    find_by(digest: list.digest) || create!(digest: list.digest).tap do |row|
      list.grants.each { |grant| row.entries.create!(AccessGrant.columns_for(grant)) }
    end
  end

  # @param level [Symbol]
  # @param holders [Array<Zuhause::Access::Holder>]
  def self.giving(level, holders)
    entries = AccessListEntry.where(level: Viewer::LEVELS.fetch(level)..)
    by_kind = holders.group_by(&:kind)
    people, groups = %i[person group].map { |kind| by_kind.fetch(kind, []).map(&:id) }
    all = by_kind.keys & %i[everyone anyone]
    named = entries.where(person_id: people).or(entries.where(group_id: groups)).or(entries.where(holder: all))
    where(id: named.select(:access_list_id))
  end

  # Lists that no place has any more.
  def self.prune(ids)
    unused = where(id: ids).where.missing(:rooms).where.missing(:pages).ids
    AccessListEntry.where(access_list_id: unused).delete_all
    where(id: unused).delete_all
  end

  # @return [Zuhause::Access::List]
  def to_list
    Zuhause::Access::List.new(entries.map(&:to_grant))
  end
end
