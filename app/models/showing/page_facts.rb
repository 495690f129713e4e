# What the facts line tells: who can read a page, who keeps it, which edition it is and since when.
class PageFacts
  attr_reader :page

  def initialize(page, viewer)
    @page = page
    @viewer = viewer
  end

  # @return [Symbol, Integer] see Zuhause::Access::Audience#name
  def audience
    audience_of_page.name(asker: @viewer.person&.id)
  end

  def writers
    audience_of_page.at_least(:write).size
  end

  # @return [Array<String>] names of keepers, for who is signed in
  def keepers
    return [] unless @viewer.signed_in?

    @keepers ||= Person.where(id: audience_of_page.keepers.map(&:id)).by_name.pluck(:name)
  end

  # @return [Array<String>] names of groups that keep it, of those the viewer may know of
  def keeping_groups
    ids = page.access_list.entries.select { |entry| entry.for_group? && entry.may_keep? }.map(&:group_id)
    Group.where(id: ids).merge(Group.known_to(@viewer)).by_name.pluck(:name)
  end

  def edition
    page.edition
  end

  # @return [Boolean] whether there is something unpublished that the viewer may see
  def changed?
    page.unpublished_changes? && @viewer.sight_of(page) == :draft
  end

  private

  def audience_of_page
    @audience_of_page ||= page.audience
  end
end
