# How often pages are to be checked: of a room, or of a page and all below it. A page of its own kind can be let off by a rule without
# months.
class CheckRule < ApplicationRecord
  CUSTOMARY = [ 1, 3, 6, 12, 24 ].freeze # months that are offered

  belongs_to :page, optional: true
  belongs_to :room, optional: true

  validates :months, numericality: { only_integer: true, in: Zuhause::Freshness::Due::MONTHS }, allow_nil: true

  class << self
    # The nearest that holds for each: its own, one of a page above it, its room's.
    #
    # @param pages [Array<Array(Integer, String, Integer)>] ids, ancestries and rooms
    # @return [Hash{Integer=>CheckRule}] by the page's id, of those for which there is one
    def nearest(pages)
      rules = all.to_a
      of_pages, of_rooms = rules.select(&:page_id).index_by(&:page_id), rules.select(&:room_id).index_by(&:room_id)
      pages.to_h { |id, ancestry, room| [ id, of_pages[id] || above(ancestry, of_pages) || of_rooms[room] ] }.compact
    end

    # @param page [Page]
    # @return [CheckRule, nil]
    def for(page)
      nearest([ [ page.id, page.ancestry, page.room_id ] ])[page.id]
    end

    # @param place [Page, Room]
    # @return [CheckRule] its own, or a new one
    def of(place)
      find_or_initialize_by(place.is_a?(Page) ? { page: place } : { room: place })
    end

    private

    def above(ancestry, of_pages)
      of_pages.any? ? ancestry.split("/").reverse.filter_map { |id| of_pages[id.to_i] }.first : nil
    end
  end

  # @return [Page, Room] that sets it
  def place
    page || room
  end

  # @param months [Integer, String, nil] nil for never
  # @return [Boolean] false, with errors
  def set(months, by:, at: Time.current)
    self.months = months.presence
    self.created_at ||= at
    return false unless valid?

    transaction do
      save!
      CheckDate.settle(pages)
      Happening.write(:check_rules_set, place, by: by, at: at, months: self.months)
    end
    true
  end

  def end(by:)
    transaction do
      destroy!
      CheckDate.settle(pages)
      Happening.write(:check_rules_ended, place, by: by)
    end
  end

  private

  def pages
    page ? page.subtree : room.pages
  end
end
