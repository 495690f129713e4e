# The thread of a page or a room: what is said there line by line, and pages that were put into it.
class TalkThread
  SHOWN = 40

  attr_reader :words

  # @param place [Page, Room]
  # @param words [String, nil] that a line has
  def initialize(place, viewer, words: nil)
    @place, @viewer = place, viewer
    @words = words.to_s.scrub("").strip.first(100)
  end

  def count
    @count ||= lines.count
  end

  # The newest are told first, page by page; each page in the order in which it was said.
  #
  # @return [ToldRemarks]
  def told(offset: 0)
    ToldRemarks.new(lines.preload(:author).order(id: :desc).offset(offset).limit(SHOWN).to_a.reverse, @viewer)
  end

  private

  def lines
    own = @place.is_a?(Page) ? Remark.of_page(@place, @viewer) : Remark.seen_by(@viewer).where(room: @place)
    found = own.firsts.of_kind("line").where("removed_at IS NULL OR EXISTS (SELECT 1 FROM remarks AS said WHERE said.parent_id = remarks.id)")
    @words.split.first(8).inject(found) { |narrowed, word| narrowed.where("body LIKE ?", "%#{Remark.sanitize_sql_like(word)}%") }
  end
end
