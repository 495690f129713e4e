# Pages to link to, while somebody types a title; behind a "#", headings of those.
class PageChoicesController < ApplicationController
  door :somebody

  MOST = 8
  MOST_HEADINGS = 12

  def index
    title, part = params[:q].to_s.split("#", 2)
    found = pages(title).to_a
    @states = PageStates.of(found, viewer)
    render json: part ? headings(found, part) : found.map { |page| { **told(page), room: page.room.name } }
  end

  private

  def pages(title)
    words = Zuhause::Finding::Query.new(title).words
    pages = words.reduce(Page.seen_by(viewer)) { |found, word| found.where("pages.title LIKE ?", "%#{Page.sanitize_sql_like(word)}%") }
    start = "#{Page.sanitize_sql_like(words.join(" "))}%"
    pages.includes(:room).order(Arel.sql(Page.sanitize_sql([ "pages.title LIKE ? DESC, pages.title", start ]))).limit(MOST)
  end

  def told(page)
    { id: page.public_id, title: page.title, state: @states.fetch(page.public_id) }
  end

  # Of what is published, in the order of the pages and their texts.
  def headings(found, part)
    sections = Section.where(page: found).where.not(block_id: nil).where("heading LIKE ?", "%#{Section.sanitize_sql_like(part.strip)}%").order(:position)
    ranked = sections.sort_by { |section| [ found.index { |page| page.id == section.page_id }, section.position ] }
    ranked.first(MOST_HEADINGS).map { |section| page = found.find { |each| each.id == section.page_id }; { **told(page), block: section.block_id, heading: section.heading } }
  end
end
