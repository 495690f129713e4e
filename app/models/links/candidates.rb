# Where links that lead nowhere could have been meant to lead: pages called as their labels say, and parts of the page they led
# to whose words are the label's. For a whole list they are looked up together.
class Candidates
  Candidate = Struct.new(:target, :page, :part)
  MOST = 3
  LOOKED_AT = 500 # pages

  # @param all [Array<BrokenLinks::Broken>]
  # @param viewer [Viewer]
  def initialize(all, viewer)
    @all, @viewer = all, viewer
  end

  # @return [Array<Candidate>] the likeliest first
  def of(broken)
    (parts(broken) + called(broken)).first(MOST)
  end

  private

  def parts(broken)
    return [] unless broken.reason == :part && broken.page.edition

    ranked = sections.fetch(broken.page.id, []).sort_by { |_page, _id, heading| [ -likeness(heading, broken), heading ] }
    ranked.first(MOST - 1).map { |_page, id, heading| Candidate.new("page:#{broken.page.public_id}##{id}", broken.page, heading) } << Candidate.new("page:#{broken.page.public_id}", broken.page, nil)
  end

  def called(broken)
    likely = pages.select { |page| likeness(page.title, broken).positive? }
    likely.sort_by { |page| [ -likeness(page.title, broken), page.title ] }.first(MOST).map { |page| Candidate.new("page:#{page.public_id}", page, nil) }
  end

  def sections
    @sections ||= Section.where(page: @all.select { |broken| broken.reason == :part }.map(&:page)).where.not(block_id: nil).order(:position).pluck(:page_id, :block_id, :heading).group_by(&:first)
  end

  def pages
    @pages ||= begin
      words = @all.flat_map { |broken| keys(broken.label) }.uniq
      like = words.map { |word| Page.sanitize_sql([ "pages.title LIKE ?", "%#{Page.sanitize_sql_like(word)}%" ]) }.join(" OR ")
      words.any? ? Page.seen_by(@viewer).where(Arel.sql("(#{like})")).limit(LOOKED_AT).to_a : []
    end
  end

  # Words in common, of all words of both (Jaccard 1901).
  def likeness(text, broken)
    theirs, words = keys(text), keys(broken.label)
    both = (theirs & words).size
    both.zero? ? 0.0 : both.fdiv((theirs | words).size)
  end

  def keys(text)
    (@keys ||= {})[text] ||= text.to_s.scan(/[\p{L}\p{N}]{3,}/).map { |word| Zuhause::Links::Promised.key(word) }.uniq
  end
end
