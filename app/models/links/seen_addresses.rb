# Addresses of other sites that lead out of what the viewer sees, with what came of asking for them.
class SeenAddresses
  # +state+ is one of Zuhause::Addresses::STATES; +pages+ lead there.
  Seen = Struct.new(:address, :state, :moved_to, :checked_at, :pages, :label)

  # What nobody has to see to stands apart, and is told once.
  FILTERS = %w[told gone moved silent works barred inward unchecked].freeze
  STATE = "coalesce(web_addresses.state, 'unchecked')".freeze

  # @param viewer [Viewer]
  # @param filter [String] one of {FILTERS}; "told" for all that somebody should look at
  # @param within [ActiveRecord::Relation<Page>, nil] in whose texts
  def initialize(viewer, filter: "told", within: nil)
    @viewer, @filter, @within = viewer, filter.presence_in(FILTERS) || "told", within
  end

  attr_reader :filter

  # @return [Integer]
  def count
    return filtered.distinct.count(:target_id) if @filter == "unchecked" # most have no row of their own

    WebAddress.where(state: states).where(references.where("target_id = web_addresses.address").arel.exists).count
  end

  # @return [Hash{String=>Integer}] addresses by state
  def counts
    seen.group(Arel.sql(STATE)).distinct.count(:target_id)
  end

  # @return [Array<Seen>] those that most pages lead to first
  def addresses(limit:, offset: 0)
    columns = %w[target_id state moved_to checked_at].zip([ "target_id", STATE, "web_addresses.moved_to", "web_addresses.checked_at" ]).map { |_name, column| Arel.sql(column) }
    rows = filtered.group(:target_id).order(Arel.sql("COUNT(DISTINCT page_id) DESC"), :target_id).limit(limit).offset(offset)
    rows.pluck(*columns, Arel.sql("COUNT(DISTINCT page_id)"), Arel.sql("MAX(label)")).map { |address, state, to, at, pages, label| Seen.new(address, state, to, at && Time.zone.parse("#{at} UTC"), pages, label) }
  end

  private

  def references
    SeenReferences.of(Reference.of_kind(:web), @viewer, within: @within)
  end

  def seen
    references.joins("LEFT JOIN web_addresses ON web_addresses.address = target_id")
  end

  def filtered
    seen.where("#{STATE} IN (?)", states)
  end

  def states
    @filter == "told" ? WebAddress::TOLD : [ @filter ]
  end
end
