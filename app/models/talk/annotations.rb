# A page's notes, proposals and questions with what was said to them, as annotations that others can read.
class Annotations
  MOST = 2_000 # and what was said to them

  # @param url [#call] gives addresses
  def initialize(page, viewer, url:)
    @page, @viewer, @url = page, viewer, url
  end

  def as_json(*)
    firsts = Remark.of_page(@page, @viewer).kept.firsts.of_kind(*Remark::ON_TEXT, "question").preload(:author, :places).order(:id).limit(MOST).to_a
    @told = ToldRemarks.new(firsts, @viewer)
    items = firsts.flat_map { |remark| [ item(remark), *@told.replies_to(remark).reject(&:removed?).map { |reply| item(reply, to: remark) } ] }
    Zuhause::Anchors::Annotation.collection(@url.call([ @page, :remarks ]), items)
  end

  private

  def item(remark, to: nil)
    place = remark.place_in(@page.published? ? "edition" : "draft") unless to
    Zuhause::Anchors::Annotation.of(
      id: @url.call(remark), source: @url.call(to || @page), kind: remark.kind, words: remark.words, by: remark.author&.name, at: remark.created_at, edited: remark.edited_at,
      body: Zuhause::Talk::Words.typed(remark.body) { |id| name(id) }.presence, anchor: place&.anchor, place: (place.position if place&.found?), point: (place && place.x ? [ place.x, place.y ] : nil)
    )
  end

  def name(public_id)
    person = @told.person(public_id)
    person.name if person && @viewer.meets?(person)
  end
end
