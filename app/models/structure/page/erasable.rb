# Erasing what is in the bin, for good. What was not put there with it stays: kept pages, what waits in the bin by itself,
# and pages that whoever erases may not write.
module Page::Erasable
  extend ActiveSupport::Concern

  class_methods do
    # @param pages [ActiveRecord::Relation<Page>] all of them in the bin
    # @return [Integer] how many
    def erase_for_good(pages, at:, by: nil)
      ids = pages.ids
      pages.find_each { |page| Happening.write(:erased, page, by: by, at: at) }
      pages.find_each { |page| Signpost.let_go(page) }
      Tombstone.set(pages, at: at)
      Reference.let_go("front", :page, pages.pluck(:public_id))
      lists = pages.distinct.pluck(:access_list_id)
      PageFile.where(page_id: ids).find_each(&:destroy!) # what lies on disk goes with them; all else follows in the database
      pages.delete_all
      AccessList.prune(lists)
      ids.size
    end
  end

  # @param by [Person, nil] nil when its time in the bin is over
  # @return [Integer] pages erased; none if it is not in the bin by itself
  def erase(by: nil, at: Time.current)
    transaction do
      reload
      next 0 unless bin_root?

      set_aside(by)
      Page.erase_for_good(Page.where(bin_root_id: id), by: by, at: at)
    end
  end

  private

  # Pages of others wait in the bin by themselves from now on, and their keepers are told.
  def set_aside(by)
    others = by ? not_for(by, descendants.where(bin_root_id: id)) : []
    others.each { |page| Page.where(id: page.subtree_ids, bin_root_id: id).update_all(bin_root_id: page.id) }
    rest = descendants.where("bin_root_id IS NULL OR bin_root_id <> ?", id).sort_by(&:depth)
    let_stay(rest.reject { |page| rest.any? { |other| page.ancestor_ids.include?(other.id) } }, by: by)
    others.each { |page| Happening.write(:stayed, page.reload, by: by) }
  end
end
