# What places effectively grant, one row for all places that grant the same (Zuhause::Access::List).
class AccessList < ApplicationRecord
  has_many :entries, class_name: "AccessListEntry", dependent: :delete_all
  has_many :rooms
  has_many :pages
  has_many :tombstones

  # @param list [Zuhause::Access::List]
  # @return [AccessList] the row for it
  def self.for(list)
    find_by(digest: list.digest) || create!(digest: list.digest).tap do |row|
      list.grants.each { |grant| row.entries.create!(AccessGrant.columns_for(grant)) }
    end
  end

  # @param ids [Enumerable<Integer>]
  # @return [Hash{Integer=>Zuhause::Access::List}] by id, in one query
  def self.lists(ids)
    rows = AccessListEntry.where(access_list_id: ids.uniq).pluck(:access_list_id, :holder, :person_id, :group_id, :level, :ends_on).group_by(&:first)
    ids.uniq.to_h do |id|
      grants = rows.fetch(id, []).map { |_list, holder, person, group, level, ends_on| Zuhause::Access::Grant.new(Zuhause::Access::Holder.new(holder.to_sym, person || group), level.to_sym, ends_on) }
      [ id, Zuhause::Access::List.new(grants) ]
    end
  end

  # @param lists [Enumerable<Zuhause::Access::List>]
  # @return [Hash{String=>Integer}] ids of their rows by digest
  def self.ids_for(lists)
    by_digest = lists.index_by(&:digest)
    known = where(digest: by_digest.keys).pluck(:digest, :id).to_h
    by_digest.to_h { |digest, list| [ digest, known[digest] || self.for(list).id ] }
  end

  # Lists that no place has any more.
  def self.prune(ids)
    unused = where(id: ids).where.missing(:rooms).where.missing(:pages).where.missing(:tombstones).ids
    AccessListEntry.where(access_list_id: unused).delete_all
    where(id: unused).delete_all
  end

  # @return [Zuhause::Access::List]
  def to_list
    Zuhause::Access::List.new(entries.map(&:to_grant))
  end
end
