# Links among pages that somebody reads: from published texts, those that promised a page and lead to it too.
class PageLinks
  USES = %w[link insert title].freeze
  MOST = 3000 # that are followed in one step

  def initialize(viewer)
    @viewer = viewer
  end

  # @param ids [Array<Integer>, ActiveRecord::Relation] of pages
  # @return [Array<Array(Integer, Integer, Symbol)>] from a page to another, and its use
  def from(ids)
    found({ page_id: ids })
  end

  # @return [Array<Array(Integer, Integer, Symbol)>]
  def to(ids)
    found({ "led_to.id" => ids })
  end

  # @return [Array<Array(Integer, Integer, Symbol)>] of which both ends are among these
  def among(ids)
    found({ :page_id => ids, "led_to.id" => ids })
  end

  # @return [Array<Array(Integer, Integer, Symbol)>] all that there are
  def all
    found({}, most: nil)
  end

  private

  def read
    @read ||= Page.read_by(@viewer).select(:id)
  end

  def found(only, most: MOST)
    [ direct, kept ].map { |links| links.where(only).limit(most).distinct.pluck(:page_id, Arel.sql("led_to.id"), :use) }.reduce(:|)
      .map { |from, to, use| [ from, to, use.to_sym ] }
  end

  def direct
    joined('JOIN pages AS led_to ON led_to.public_id = "references".target_id').where(target_kind: "page")
  end

  def kept
    joined('JOIN promises ON promises.title = "references".target_id JOIN pages AS led_to ON led_to.id = +promises.page_id').where(target_kind: "promise")
  end

  def joined(join)
    Reference.from_editions.where(use: USES, page_id: read).joins(join).where("+led_to.id IN (?)", read).where('led_to.id <> "references".page_id')
  end
end
