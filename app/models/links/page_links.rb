# Links among pages that somebody reads: from published texts, those that promised a page and lead to it too. In which order the tables
# are gone through is said outright: from a few pages by their own references, to a few by what is led to; left to itself the database
# tries every page that one reads.
class PageLinks
  USES = %w[link insert title].freeze
  MOST = 3000 # that are followed in one step

  # From texts onwards, and back from what they lead to: by links to a page, and by titles that promised it.
  FROM = {
    page: 'pages AS reading CROSS JOIN "references" ON "references".page_id = reading.id CROSS JOIN pages AS led_to ON led_to.public_id = "references".target_id',
    promise: 'pages AS reading CROSS JOIN "references" ON "references".page_id = reading.id CROSS JOIN promises ON promises.title = "references".target_id CROSS JOIN pages AS led_to ON led_to.id = promises.page_id'
  }.freeze
  TO = {
    page: 'pages AS led_to CROSS JOIN "references" ON "references".target_id = led_to.public_id CROSS JOIN pages AS reading ON reading.id = "references".page_id',
    promise: 'pages AS led_to CROSS JOIN promises ON promises.page_id = led_to.id CROSS JOIN "references" ON "references".target_id = promises.title CROSS JOIN pages AS reading ON reading.id = "references".page_id'
  }.freeze

  def initialize(viewer)
    @viewer = viewer
  end

  # @param ids [Array<Integer>] of pages
  # @return [Array<Array(Integer, Integer, Symbol)>] from a page to another, and its use
  def from(ids)
    found(FROM) { |rows| rows.where(among_numbers("reading", ids)) }
  end

  # @return [Array<Array(Integer, Integer, Symbol)>]
  def to(ids)
    found(TO) { |rows| rows.where(among_numbers("led_to", ids)) }
  end

  # @param from [Array<Integer>] those of them whose links are not known yet
  # @return [Array<Array(Integer, Integer, Symbol)>] of which both ends are among these
  def among(ids, from: ids)
    return [] if from.empty?

    found(FROM, most: nil) { |rows| rows.where(among_numbers("reading", from)).where(among_numbers("led_to", ids, indexed: false)) }.first(MOST)
  end

  # @return [Array<Array(Integer, Integer, Symbol)>] all that there are
  def all
    found(FROM, most: nil) { |rows| rows }
  end

  private

  def found(ways, most: MOST)
    rows = ways.map { |kind, tables| yield(links(kind, tables)).limit(most).distinct.pluck(Arel.sql("reading.id"), Arel.sql("led_to.id"), :use) }
    rows.reject(&:empty?).reduce(:|).to_a.each { |row| row[2] = row[2].to_sym }
  end

  def links(kind, tables)
    read = %w[reading led_to].map { |name| @viewer.reading(Page.arel_table.alias(name)) }
    Reference.from(tables).from_editions.where(use: USES, target_kind: kind.to_s).where(read.first).where(read.last).where("led_to.id <> reading.id")
  end

  # @param indexed [Boolean] whether pages may be found by it; else it is only asked of those that are found
  def among_numbers(name, ids, indexed: true)
    number = Page.arel_table.alias(name)[:id]
    Page.any_of(indexed ? number : Arel::Nodes::UnaryOperation.new("+", number), ids)
  end
end
