# All questions that a viewer may read: without an answer, with one that is doubted, answered, settled.
class QuestionBoard
  SHOWS = { "open" => %w[open], "doubted" => %w[doubted], "done" => %w[answered settled] }.freeze

  attr_reader :show, :room, :tag, :words

  # @param show [String, nil] a key of {SHOWS}
  # @param room [String, nil] a room's public id
  # @param tag [String, nil] a tag's public id
  # @param words [String, nil] that a question or an answer has
  def initialize(viewer, show: nil, room: nil, tag: nil, words: nil)
    @viewer = viewer
    @show = SHOWS.key?(show.to_s) ? show.to_s : "open"
    @room = Room.seen_by(viewer).find_by(public_id: room.to_s) if room.present?
    @tag = Tag.find_by(public_id: tag.to_s) if tag.present?
    @words = words.to_s.scrub("").strip.first(100)
  end

  # @return [Integer]
  def count(show = @show)
    (@counts ||= all.group("remarks.standing").count).values_at(*SHOWS.fetch(show)).sum(&:to_i)
  end

  # @return [Array<Remark>] without an answer the oldest first; others those that helped most people
  def questions(limit:, offset: 0)
    found = all.where(standing: SHOWS.fetch(show)).preload(:author, page: :room)
    found = show == "open" ? found.order("remarks.created_at", "remarks.id") : found.order("remarks.helped DESC", "remarks.id DESC")
    found.limit(limit).offset(offset).to_a
  end

  # @return [Array<Room>] that have questions
  def rooms
    Room.where(id: readable.distinct.pluck("pages.room_id")).in_order
  end

  # @return [Array<Tag>] of pages that have questions
  def tags
    Tag.where(id: Tagging.where(page_id: readable.select(:page_id)).distinct.pluck(:tag_id)).by_name
  end

  private

  # Page by page of those that are asked of: there are fewer of them than of pages that one reads.
  def readable
    seen = Remark.joins(:page).merge(Page.seen_by(@viewer)).where(draft: false).or(Remark.joins(:page).merge(Page.drafts_seen_by(@viewer)))
    seen.kept.firsts.of_kind("question")
  end

  def all
    found = readable
    found = found.where(pages: { room_id: @room.id }) if @room
    found = found.where(page_id: Tagging.where(tag: @tag).select(:page_id)) if @tag
    @words.split.first(8).inject(found) { |narrowed, word| narrowed.where(saying(word)) }
  end

  # In the question itself or in what was said to it.
  def saying(word)
    like = "%#{Remark.sanitize_sql_like(word)}%"
    Remark.arel_table[:body].matches(like).or(Remark.arel_table[:id].in(Remark.kept.where("body LIKE ?", like).where.not(parent_id: nil).select(:parent_id).arel))
  end
end
