# Trying a change of access out, to tell what it would open and close before it is done.
module Exposed
  # @yield makes the change; nothing of it stays
  # @return [Zuhause::Access::Exposure]
  # @raise whatever the change raises, such as Placed::NoKeeper
  def exposure_of(&change)
    Exposed.of_pages(touched_pages.pluck(:id), &change).tap { reload }
  end

  # The same for pages that are changed together.
  #
  # @param ids [Array<Integer>]
  def self.of_pages(ids)
    before = lists_of(ids)
    after = nil
    ApplicationRecord.transaction(requires_new: true) do
      yield
      after = lists_of(ids)
      raise ActiveRecord::Rollback
    end
    Zuhause::Access::Exposure.new(touched(before, after), Person.viewers, House.current.switches, inserts: inserts_on(after))
  end

  # @param lists [Hash] as of {.lists_of}
  # @return [Array<Zuhause::Access::Exposure::Inserted>] live inserts that the pages' readers come upon
  def self.inserts_on(lists)
    uses = Reference.from_editions.where(use: "insert", page_id: lists.keys).pluck(:page_id, :target_page)
    pages = Page.kept.where(public_id: uses.map(&:last)).pluck(:public_id, :id).to_h
    inside = lists_of(pages.values)
    uses.filter_map do |around, public_id|
      list, published = inside[pages[public_id]]
      Zuhause::Access::Exposure::Inserted.new(around: lists.fetch(around).first, inside: list, published: published) if list
    end
  end

  # What a change of people, groups or switches would open and close in the whole house.
  #
  # @param people_after [Hash{Integer=>Zuhause::Access::Viewer}] those whom it makes different, by id
  # @return [Zuhause::Access::Exposure]
  def self.of_house(people_after: {}, switches_after: House.current.switches)
    pages = Page.kept.pluck(:access_list_id, :edition_id)
    lists = AccessList.where(id: pages.map(&:first).uniq).includes(:entries).to_h { |list| [ list.id, list.to_list ] }
    touched = pages.map { |list, edition| Zuhause::Access::Exposure::Touched.new(before: lists.fetch(list), after: lists.fetch(list), published: edition.present?) }
    Zuhause::Access::Exposure.new(touched, Person.viewers, House.current.switches, people_after: people_after, switches_after: switches_after)
  end

  # @return [Hash{Integer=>Array(Zuhause::Access::List, Boolean)}] by page: what it grants, and whether it is published
  def self.lists_of(ids)
    rows = Page.where(id: ids).pluck(:id, :access_list_id, :edition_id)
    lists = AccessList.where(id: rows.map(&:second).uniq).includes(:entries).to_h { |list| [ list.id, list.to_list ] }
    rows.to_h { |id, list, edition| [ id, [ lists.fetch(list), edition.present? ] ] }
  end

  def self.touched(before, after)
    before.map { |id, (list, published)| Zuhause::Access::Exposure::Touched.new(before: list, after: after.fetch(id).first, published: published) }
  end
  private_class_method :lists_of, :touched, :inserts_on
end
