# A page's own list, and keeping the access lists of a subtree right.
module Page::AccessListed
  extend ActiveSupport::Concern

  class_methods do
    # Brings pages and all below them in line with what their place grants: one pass over the subtree, one update for
    # each list found.
    #
    # @param tops [ActiveRecord::Relation] pages that stand in the same place
    # @param above [Zuhause::Access::List] what that place grants
    def refresh_access_lists(tops, above)
      pages = Page.where(id: tops).or(Page.where(id: tops.flat_map(&:descendant_ids))).to_a
      lists = effective_lists(pages, above)
      digests = lists.transform_values(&:digest)
      rows = AccessList.ids_for(lists.values)
      changed = pages.reject { |page| page.access_list_id == rows.fetch(digests.fetch(page.id)) }
      changed.group_by { |page| rows.fetch(digests.fetch(page.id)) }.each { |list_id, group| where(id: group).update_all(access_list_id: list_id) }
      AccessList.prune(pages.map(&:access_list_id).uniq)
    end

    private

    def effective_lists(pages, above)
      grants = AccessGrant.where(page_id: pages.map(&:id)).group_by(&:page_id)
      pages.sort_by(&:depth).each_with_object({}) do |page, lists|
        own = grants.fetch(page.id, []).map(&:to_grant)
        from_above = lists.fetch(page.parent_id, above)
        lists[page.id] = if page.own_list? then Zuhause::Access::List.new(own)
        else own.empty? ? from_above : from_above.with(own)
        end
      end
    end
  end

  # Pages whose access follows this place.
  def touched_pages
    subtree.kept
  end

  def keeps_itself?
    own_list?
  end

  def lowest_to_see
    published? ? :read : :write
  end

  # @return [Zuhause::Access::Place] with every place above it, in two queries
  def to_place
    room_place = Zuhause::Access::Place.new(room, grants: room.access_grants.map(&:to_grant), archived: room.archived?)
    path.includes(:access_grants).reduce(room_place) do |above, page|
      Zuhause::Access::Place.new(page, grants: page.access_grants.map(&:to_grant), own_list: page.own_list?, above: above)
    end
  end

  def refresh_access_lists
    Page.refresh_access_lists(Page.where(id: id), above.access_list.to_list)
    reload_access_list
    reload
  end

  # From now on takes no access from above: copies the grants in force, and the maker keeps the page.
  def make_own_list(by:)
    change_access do
      in_force = access_list.to_list.grants
      access_grants.delete_all
      in_force.each { |grant| access_grants.create!(AccessGrant.columns_for(grant)) }
      access_grants.find_or_initialize_by(holder: :person, person: by).update!(level: :keep)
      update!(own_list: true)
    end
  end

  # Takes access from above again; the list's own grants, copies for the most part, go.
  def end_own_list
    change_access do
      access_grants.delete_all
      update!(own_list: false)
    end
  end
end
