# Two states of a page beside each other: editions by number, or the draft, for who sees it.
class StateComparison
  attr_reader :page, :from, :to

  # @param from [String, nil, Draft] an edition's number or "draft"
  # @param to [String, nil, Draft] the same
  # @raise [ActiveRecord::RecordNotFound] for a state that is not there or not seen
  def initialize(page, viewer, from:, to:)
    @page = page
    @viewer = viewer
    @from = state(from)
    @to = state(to)
  end

  # Two states of the draft, for who sees it.
  def self.between(page, viewer, from, to)
    new(page, viewer, from: from, to: to)
  end

  def changes
    @changes ||= Zuhause::Changes::Comparison.new(from.document, to.document)
  end

  # @param label [#call] gives the label of an entry that differs
  # @return [Array<ActiveSupport::SafeBuffer, nil>] each block of the document; nil where the side has none
  def to_html(label:, side: :both)
    blocks = Zuhause::Markup::ComparisonHTML.write(changes, label: label, tones: ShownDocument.tones, side: side, leaf: ShownPieces::HOLD_LEAF)
    ShownDocument.new(to, page: page, viewer: @viewer).filled(blocks).map { |html| html&.html_safe }
  end

  # @return [Boolean] whether single changes can be put back: into the draft, which is what must be looked at
  def to_draft?
    to.is_a?(Draft)
  end

  # @return [Array<Array(String, String)>] labels and names of all states to choose from
  def choices
    editions = page.editions.newest_first.pluck(:number).map { |number| [ I18n.t("pages.comparisons.show.edition", number: number), number.to_s ] }
    draft_seen? ? [ [ I18n.t("pages.comparisons.show.draft"), "draft" ], *editions ] : editions
  end

  def name_of(state)
    state.is_a?(Draft) ? "draft" : state.number.to_s
  end

  private

  def draft_seen?
    @viewer.sight_of(page) == :draft
  end

  def state(name)
    return name if name.is_a?(Draft)
    return page.editions.find_by!(number: name) unless name == "draft"
    raise ActiveRecord::RecordNotFound unless draft_seen?

    page.draft
  end
end
