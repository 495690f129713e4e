# Pages to link to, while somebody types a title; behind a "#", headings of those.
class PageChoicesController < ApplicationController
  door :somebody

  MOST = 8
  MOST_HEADINGS = 12

  def index
    return render(json: branch(params[:below].to_s)) if params[:below]

    title, part = params[:q].to_s.split("#", 2)
    found = pages(title).to_a
    look_at(found)
    return render(json: headings(found, part)) if part

    render json: [ *promised(title), *found.map { |page| { **told(page), room: page.room.name } } ]
  end

  private

  # As the plan has it: rooms, then what stands in each place.
  def branch(below)
    return Room.seen_by(viewer).in_order.map { |room| { title: room.name, below: "room:#{room.public_id}" } } if below.empty?

    kind, id = below.split(":", 2)
    place = kind == "room" ? Room.seen_by(viewer).find_by!(public_id: id) : Page.seen_by(viewer).find_by!(public_id: id)
    room = place.is_a?(Room) ? place : place.room
    items = Branch.load(viewer, room, [ place ]).fetch(place).items.select(&:page)
    look_at(items.map(&:page))
    items.map { |item| { **told(item.page), room: room.name, below: ("page:#{item.page.public_id}" if item.size.positive?) }.compact }
  end

  def pages(title)
    words = Zuhause::Finding::Query.new(title).words
    like = words.map { |word| "%#{Page.sanitize_sql_like(word)}%" }
    titled = like.reduce(Page.seen_by(viewer)) { |found, word| found.where("pages.title LIKE ?", word) }
    named = like.reduce(OtherName.all) { |found, word| found.where("other_names.name LIKE ?", word) }
    pages = like.empty? ? titled : titled.or(Page.seen_by(viewer).where(id: named.select(:page_id)))
    start = "#{Page.sanitize_sql_like(words.join(" "))}%"
    pages.includes(:room).order(Arel.sql(Page.sanitize_sql([ "pages.title LIKE ? DESC, pages.title", start ]))).limit(MOST)
  end

  # What others promise by that very title, for whoever could promise it too: it stands before pages whose titles only hold its words.
  def promised(title)
    one = PromisedPages.new(viewer).find(title) if params[:promised] && title.present?
    one ? [ { promised: one.wording, note: t("links.wanted_by", count: one.pages) } ] : []
  end

  # Whom a page is open to is told to members: whoever links to it sees whom it leads there.
  def look_at(pages)
    @states = PageStates.of(pages, viewer)
    @called = OtherName.met_by(pages, Zuhause::Finding::Query.new(params[:q].to_s.split("#").first.to_s).words)
    @opens = viewer.active_member? ? Openness.of(pages, viewer) : {}
  end

  def told(page)
    { id: page.public_id, title: page.title, called: @called[page.id], state: @states.fetch(page.public_id), open: @opens[page]&.then { |open| helpers.audience_words(*open) } }.compact
  end

  # Of what is published, in the order of the pages and their texts.
  def headings(found, part)
    sections = Section.where(page: found).where.not(block_id: nil).where("heading LIKE ?", "%#{Section.sanitize_sql_like(part.strip)}%").order(:position)
    ranked = sections.sort_by { |section| [ found.index { |page| page.id == section.page_id }, section.position ] }
    ranked.first(MOST_HEADINGS).map { |section| page = found.find { |each| each.id == section.page_id }; { **told(page), block: section.block_id, heading: section.heading } }
  end
end
