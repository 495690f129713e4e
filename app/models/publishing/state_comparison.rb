# Two states of a page beside each other: editions by number; for who sees the draft, that ("draft"), or what was saved as
# one of its versions ("v12"; where that has been thinned, what was saved before it). "before" is the edition before the other.
class StateComparison
  attr_reader :page, :from, :to

  VERSION = /\Av(\d{1,9})\z/

  # @param from [String]
  # @param to [String]
  # @raise [ActiveRecord::RecordNotFound] for a state that is not there or not seen
  def initialize(page, viewer, from:, to:)
    @page = page
    @viewer = viewer
    @to = state(to)
    @from = from == "before" && @to.is_a?(Edition) ? before(@to) : state(from)
  end

  def changes
    @changes ||= Zuhause::Changes::Comparison.new(from.document, to.document)
  end

  # @param label [#call] gives the label of an entry that differs
  # @return [Array<ActiveSupport::SafeBuffer, nil>] each block of the document; nil where the side has none
  def to_html(label:, side: :both)
    blocks = Zuhause::Markup::ComparisonHTML.write(changes, label: label, tones: ShownDocument.tones, side: side, leaf: ShownPieces::HOLD_LEAF)
    ShownDocument.new(to, page: page, viewer: @viewer).filled(blocks).map { |html| (side == :old ? html&.gsub(/ id="[^"]*"/, "") : html)&.html_safe } # the other side has the same
  end

  # @return [Boolean] whether single changes can be put back: into the draft, which is what must be looked at
  def to_draft?
    to == page.draft
  end

  # @return [Array<Array(String, String)>] labels and names of all states to choose from
  def choices
    editions = page.editions_seen_by(@viewer).newest_first.pluck(:number).map { |number| [ I18n.t("pages.comparisons.show.edition", number: number), number.to_s ] }
    draft_seen? ? [ [ I18n.t("pages.comparisons.show.draft"), "draft" ], *versions, *editions ] : editions
  end

  def name_of(state)
    return state.number.to_s unless state.is_a?(Draft)

    state == page.draft ? "draft" : "v#{state.version}"
  end

  private

  def draft_seen?
    @viewer.sight_of(page) == :draft
  end

  # Versions are many: of them only those that are shown.
  def versions
    [ to, from ].select { |state| state.is_a?(Draft) && state != page.draft }.uniq.map { |draft| [ I18n.t("pages.comparisons.show.version", time: I18n.l(draft.created_at, format: :exact)), name_of(draft) ] }
  end

  def before(edition)
    page.editions_seen_by(@viewer).where(number: ...edition.number).newest_first.first!
  end

  def state(name)
    return page.editions_seen_by(@viewer).find_by!(number: name) unless name == "draft" || name.match?(VERSION)
    raise ActiveRecord::RecordNotFound unless draft_seen?

    name == "draft" ? page.draft : page.drafts.where(version: ..name[VERSION, 1].to_i).order(:version).last!
  end
end
