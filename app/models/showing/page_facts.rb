# What the facts line tells: who can read a page, who keeps it, which edition it is and since when.
class PageFacts
  attr_reader :page

  delegate :writers, to: :audience_of_page

  def initialize(page, viewer)
    @page = page
    @viewer = viewer
  end

  # @return [Symbol, Integer] see Zuhause::Access::Audience#name
  def audience
    audience_of_page.name_for(@viewer)
  end

  # @return [Array<String>] names of keepers, for who is signed in
  def keepers
    @viewer.signed_in? ? audience_of_page.keepers : []
  end

  # @return [Array<String>] names of groups that keep it, of those the viewer may know of
  def keeping_groups
    audience_of_page.keeping_groups(@viewer)
  end

  def edition
    page.edition
  end

  # @return [Boolean] whether there is something unpublished that the viewer may see
  def changed?
    @viewer.sight_of(page) == :draft && page.unpublished_changes?
  end

  private

  def audience_of_page
    @audience_of_page ||= ToldAudience.of(page, @viewer)
  end
end
