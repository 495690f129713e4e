# A remark that stands on a stretch of a page's text, on a block, or on a point in a picture: in the edition that is read, and
# in the draft.
module Remark::OnText
  extend ActiveSupport::Concern

  included do
    has_many :places, class_name: "RemarkPlace", dependent: :delete_all
  end

  # What somebody pointed at: +stage+ ("edition" or "draft") and +version+ say in which state of the page; +block+, +start+ and
  # +length+ where (a whole block without the latter two); +quote+ what was seen there; +x+ and +y+ a point in a picture, in
  # hundredths of its size.
  Pointed = Struct.new(:stage, :version, :block, :start, :length, :quote, :x, :y, keyword_init: true)

  class_methods do
    # @param blocks [Array<String>] ids of blocks of the page
    def standing_on(page, blocks)
      where(page: page, id: RemarkPlace.where(block_id: blocks).select(:remark_id))
    end

    # @param pointed [Pointed]
    # @param words [String, nil] that are proposed instead
    # @return [Remark] with errors if it will not do
    def note(page, pointed, by:, body:, words: nil, at: Time.current)
      kind = words ? "proposal" : "note"
      say(page, kind: kind, body: body, words: words && Said.line(words), draft: pointed.stage == "draft", by: by, at: at) { |remark| remark.stand(pointed) }
    end
  end

  # Finds where it stands in what is published and in the draft now.
  #
  # @param pointed [Pointed]
  def stand(pointed)
    state = state_of(pointed)
    anchor = state && RemarkPlace.anchor(state.document, pointed)
    return errors.add(:base, :nowhere) unless anchor
    return errors.add(:base, :no_words) if kind == "proposal" && !Zuhause::Talk::Proposing.possible?(state.document, anchor)
    return errors.add(:words, :unchanged) if kind == "proposal" && words == anchor.exact

    update!(quote: anchor.exact)
    point = { x: pointed.x, y: pointed.y }.compact
    RemarkPlace.put(self, "draft", anchor, page.draft.state, point)
    published = RemarkPlace.put(self, "edition", anchor, page.edition.state, point) if page.edition
    update!(draft: false) if draft && published&.state == "same" # all who read it read what is quoted
  end

  # @param stage [String] "edition" or "draft"
  # @return [RemarkPlace, nil]
  def place_in(stage)
    places.find { |place| place.stage == stage }
  end

  private

  # What was looked at, or where that is not kept any more what there is now.
  def state_of(pointed)
    return (page.editions.find_by(number: pointed.version) || page.edition)&.state if pointed.stage == "edition"

    (page.drafts.find_by(version: pointed.version) || page.draft).state
  end
end
