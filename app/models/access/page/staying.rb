# Pages that stay where what they stand in goes: whoever does it may not write them, since they have lists of their own.
# They hang from the nearest place that remains, and their keepers are told.
module Page::Staying
  private

  # @param pages [ActiveRecord::Relation<Page>] below this one
  # @return [Array<Page>] those that somebody may not write, the outermost of each
  def not_for(person, pages)
    writable = Viewer.new(Person.find(person.id)).list_ids(:write) # who may have been suspended since they were read
    others = pages.reject { |page| writable.include?(page.access_list_id) }.sort_by(&:depth)
    others.reject { |page| others.any? { |other| page.ancestor_ids.include?(other.id) } }
  end

  # @param by [Person, nil] nil for the house itself, which tells nobody
  def let_stay(pages, by:)
    place = ancestors.reverse.find { |page| !page.binned? } || room
    pages.each do |page|
      exposure = page.exposure_of_moving(place)
      by ? page.record_access(:stayed, by: by, exposure: exposure) { page.hang(to: place) } : page.hang(to: place)
    end
  end
end
