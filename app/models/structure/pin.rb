# A page that somebody keeps at hand.
class Pin < ApplicationRecord
  belongs_to :person
  belongs_to :page

  # @param viewer [Viewer]
  # @return [Set<Integer>] ids of the pages that they have pinned
  def self.of(viewer)
    viewer.kept_fetch([ :pins, viewer.person&.id ], of: [ :pins ]) { where(person: viewer.person).pluck(:page_id).to_set.freeze }
  end
end
