# All notes and proposals of a page as a list: open, done, and those whose place is gone or not sure.
class RemarkList
  SHOWS = %w[open done displaced].freeze

  attr_reader :show

  # @param show [String, nil] one of {SHOWS}
  def initialize(page, viewer, show: nil)
    @page, @viewer = page, viewer
    @show = show.to_s.presence_in(SHOWS) || "open"
  end

  # @return [ActiveRecord::Relation<Remark>] in the order of the text
  def remarks
    places = RemarkPlace.where(stage: stage).where("remark_id = remarks.id").select("MAX(position)")
    of(show).preload(:author, :places).order(Arel::Nodes::Ascending.new(Arel::Nodes::Grouping.new(places.arel.ast)), :id)
  end

  # @return [Integer]
  def count(show)
    (@counts ||= {})[show] ||= of(show).count
  end

  # @return [String] by which places are told
  def stage
    @page.published? ? "edition" : "draft"
  end

  private

  def of(show)
    all = Remark.of_page(@page, @viewer).firsts.of_kind(*Remark::ON_TEXT)
    return all.where(standing: Remark::DONE) if show == "done"

    lost = RemarkPlace.where(stage: stage).where.not(state: RemarkPlace::FOUND).select(:remark_id)
    show == "displaced" ? all.open_still.where(id: lost) : all.open_still.where.not(id: lost)
  end
end
