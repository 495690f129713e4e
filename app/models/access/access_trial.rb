# What a change of grants, or of places, would make of pages' lists: worked out, not tried, so that nobody has to wait for
# whoever only looks.
class AccessTrial
  Row = Struct.new(:id, :parent_id, :depth, :own_list, :list_id, :published)

  # @param pages [ActiveRecord::Relation<Page>] all that the change touches
  # @param above [Zuhause::Access::List, nil] what the place grants in which those of them stand that stand in none of them
  # @param grants [Hash{Integer=>Array<Zuhause::Access::Grant>}] what some pages would grant, by id
  # @param own_lists [Hash{Integer=>Boolean}] which would have lists of their own, where that changes
  # @param moved [Hash{Integer=>Zuhause::Access::List}] what the new places of some pages grant, by the pages' ids
  def initialize(pages, above: nil, grants: {}, own_lists: {}, moved: {})
    @rows = pages.pluck(:id, :ancestry, :own_list, :access_list_id, :edition_id).map { |id, ancestry, own, list, edition| row(id, ancestry, own, list, edition) }
    @above, @grants, @own_lists, @moved = above, grants, own_lists, moved
  end

  # @param also [Array<Zuhause::Access::Exposure::Touched>] what is opened or closed besides
  # @return [Zuhause::Access::Exposure]
  def exposure(also: [])
    touched = also + @rows.map { |row| Zuhause::Access::Exposure::Touched.new(before: before.fetch(row.list_id), after: after.fetch(row.id), published: row.published) }
    Zuhause::Access::Exposure.new(touched, Person.viewers, House.current.switches, inserts: inserts)
  end

  # @return [Hash{Integer=>Zuhause::Access::List}] by page; the same object as before where nothing changes
  def after
    @after ||= @rows.sort_by(&:depth).each_with_object({}) do |row, lists|
      from_above = @moved[row.id] || lists[row.parent_id] || @above
      lists[row.id] = kept(row, list(row, from_above))
    end
  end

  private

  def row(id, ancestry, own, list, edition)
    above = ancestry.split("/").reject(&:empty?)
    Row.new(id, above.last&.to_i, above.size, own, list, edition.present?)
  end

  def before
    @before ||= AccessList.lists(@rows.map(&:list_id))
  end

  def list(row, from_above)
    grants = granted.fetch(row.id, [])
    return Zuhause::Access::List.new(grants) if @own_lists.fetch(row.id, row.own_list)

    grants.empty? ? from_above : from_above.with(grants)
  end

  def kept(row, list)
    was = before.fetch(row.list_id)
    list == was ? was : list
  end

  def granted
    @granted ||= AccessGrant.where(page_id: @rows.map(&:id)).group_by(&:page_id).transform_values { |rows| rows.map(&:to_grant) }.merge(@grants)
  end

  # @return [Array<Zuhause::Access::Exposure::Inserted>] live inserts that the pages' readers come upon
  def inserts
    uses = Reference.from_editions.where(use: "insert", page_id: @rows.map(&:id)).pluck(:page_id, :target_id)
    rows = Page.kept.where(public_id: uses.map(&:last)).pluck(:public_id, :id, :access_list_id, :edition_id)
    lists = AccessList.lists(rows.map(&:third))
    inside = rows.to_h { |public_id, id, list, edition| [ public_id, [ after.fetch(id) { lists.fetch(list) }, edition.present? ] ] }
    uses.filter_map do |around, public_id|
      list, published = inside[public_id]
      Zuhause::Access::Exposure::Inserted.new(around: after.fetch(around), inside: list, published: published) if list
    end
  end
end
