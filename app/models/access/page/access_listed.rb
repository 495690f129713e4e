# A page's own list, and keeping the access lists of a subtree right.
module Page::AccessListed
  extend ActiveSupport::Concern

  class_methods do
    # @param tops [Array<Page>] none below another
    # @param to [Room, Page] what they would stand in
    # @return [Zuhause::Access::Exposure]
    def exposure_of_moving(tops, to)
      AccessTrial.new(kept.where(id: tops.flat_map(&:subtree_ids)), moved: tops.to_h { |page| [ page.id, to.access_list.to_list ] }).exposure
    end

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

  # @param grants [Array<Zuhause::Access::Grant>] what it would grant itself
  # @param own_list [Boolean] whether it would have a list of its own
  # @return [Zuhause::Access::Exposure]
  def exposure_with(grants, own_list: own_list?)
    trial_of(grants, own_list: own_list).exposure
  end

  # @return [AccessTrial]
  def trial_of(grants, own_list: own_list?)
    AccessTrial.new(touched_pages, above: above.access_list.to_list, grants: { id => grants }, own_lists: { id => own_list })
  end

  # @return [Zuhause::Access::Exposure] of giving it a list of its own
  def exposure_of_own_list(by:)
    exposure_with(grants_of_own_list(by), own_list: true)
  end

  def exposure_of_ending_own_list
    exposure_with([], own_list: false)
  end

  # @param to [Room, Page] what it would stand in
  # @param pages [ActiveRecord::Relation<Page>] which would go along
  # @return [Zuhause::Access::Exposure]
  def exposure_of_moving(to, pages: touched_pages)
    AccessTrial.new(pages, moved: { id => to.access_list.to_list }).exposure
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
    shut_to { grants_of_own_list(by) }
  end

  # From now on takes no access from above, and grants what is stated.
  #
  # @yieldreturn [Array<Zuhause::Access::Grant>] one of them, to somebody active, of keep
  # @raise [Placed::NoKeeper]
  def shut_to
    change_access do
      grants = yield
      access_grants.delete_all
      grants.each { |grant| access_grants.create!(AccessGrant.columns_for(grant)) }
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

  private

  # What is in force, and keep for whoever makes it.
  def grants_of_own_list(by)
    holder = Zuhause::Access::Holder.new(:person, by.id)
    access_list.to_list.grants.reject { |grant| grant.holder == holder } + [ Zuhause::Access::Grant.new(holder, :keep) ]
  end
end
