# Where a link that leads nowhere could have been meant to lead: pages called as its label says, and parts of the page it led
# to whose words are the label's.
class Candidates
  Candidate = Struct.new(:target, :page, :part)
  MOST = 3

  # @param broken [BrokenLinks::Broken]
  # @param viewer [Viewer]
  def initialize(broken, viewer)
    @broken, @viewer = broken, viewer
  end

  # @return [Array<Candidate>] the likeliest first
  def found
    (parts + pages).first(MOST)
  end

  private

  def parts
    return [] unless @broken.reason == :part && @broken.page.edition

    sections = Section.where(page: @broken.page).where.not(block_id: nil).order(:position).pluck(:block_id, :heading)
    ranked = sections.sort_by { |_id, heading| [ -likeness(heading), heading ] }
    ranked.first(MOST - 1).map { |id, heading| Candidate.new("page:#{@broken.page.public_id}##{id}", @broken.page, heading) } << Candidate.new("page:#{@broken.page.public_id}", @broken.page, nil)
  end

  def pages
    return [] if words.empty?

    found = words.map { |word| Page.sanitize_sql([ "pages.title LIKE ?", "%#{Page.sanitize_sql_like(word)}%" ]) }.join(" OR ")
    Page.seen_by(@viewer).where(Arel.sql("(#{found})")).limit(50).sort_by { |page| [ -likeness(page.title), page.title ] }.first(MOST).map { |page| Candidate.new("page:#{page.public_id}", page, nil) }
  end

  # Words in common, of all words of both (Jaccard 1901).
  def likeness(text)
    theirs = keys(text)
    both = (theirs & words).size
    both.zero? ? 0.0 : both.fdiv((theirs | words).size)
  end

  def words
    @words ||= keys(@broken.label)
  end

  def keys(text)
    text.to_s.scan(/[\p{L}\p{N}]{3,}/).map { |word| Zuhause::Links::Promised.key(word) }.uniq
  end
end
