# How much is said to a page that one viewer may read, by kind and state: asked once, so that nothing else is where nothing is.
class SaidHere
  def initialize(page, viewer)
    @page, @viewer = page, viewer
  end

  # @return [Integer] notes and proposals that are not settled
  def open_notes
    sum(Remark::ON_TEXT) { |standing| Remark::DONE.exclude?(standing) }
  end

  # @return [Integer]
  def settled_notes
    sum(Remark::ON_TEXT) { |standing| Remark::DONE.include?(standing) }
  end

  # @return [Integer]
  def questions
    sum(%w[question]) { true }
  end

  private

  def sum(kinds)
    counts.sum { |(kind, standing), number| kinds.include?(kind) && yield(standing) ? number : 0 }
  end

  def counts
    @counts ||= Remark.of_page(@page, @viewer).firsts.of_kind(*Remark::ON_TEXT, "question").where("removed_at IS NULL OR kind <> 'question'").group(:kind, :standing).count
  end
end
