# The questions to a page that are told at its foot.
class AskedHere
  SHOWN = 5

  # @param said [SaidHere]
  def initialize(page, viewer, said: SaidHere.new(page, viewer))
    @page, @viewer, @said = page, viewer, said
  end

  # @return [Array<Remark>] those without an answer first, then those that helped most people
  def questions
    @questions ||= count.zero? ? [] : all.where.not(standing: "settled").includes(:author).order(Arel.sql("standing = 'answered'"), helped: :desc, id: :asc).limit(SHOWN).to_a
  end

  def count
    @said.questions
  end

  def told
    @told ||= ToldRemarks.new(questions, @viewer, replies: false)
  end

  private

  def all
    Remark.of_page(@page, @viewer).kept.firsts.of_kind("question")
  end
end
