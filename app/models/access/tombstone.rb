# What remains of an erased page: its public id and whom it was open to. Only they learn that it is gone; to all others it
# is as any page that they may not see.
class Tombstone < ApplicationRecord
  belongs_to :access_list

  # @param pages [ActiveRecord::Relation<Page>] that are about to be erased
  def self.set(pages, at:)
    rows = pages.pluck(:public_id, :access_list_id, :edition_id).map { |id, list, edition| { public_id: id, access_list_id: list, published: edition.present?, erased_at: at } }
    insert_all!(rows) if rows.any?
  end

  # @param ids [Array<String>] public ids
  # @return [Set<String>] those of pages that are gone and were open to the viewer
  def self.met_by(viewer, ids)
    return Set.new if ids.empty?

    where(public_id: ids).pluck(:public_id, :access_list_id, :published).filter_map { |id, list, published| id if viewer.list_ids(published ? :read : :write).include?(list) }.to_set
  end
end
