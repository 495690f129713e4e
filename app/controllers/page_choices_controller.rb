# Pages to link to, while somebody types a title.
class PageChoicesController < ApplicationController
  MOST = 8

  def index
    words = Zuhause::Finding::Query.new(params[:q]).words
    pages = words.reduce(Page.seen_by(viewer)) { |found, word| found.where("pages.title LIKE ?", "%#{Page.sanitize_sql_like(word)}%") }
    start = "#{Page.sanitize_sql_like(words.join(" "))}%"
    pages = pages.includes(:room).order(Arel.sql(Page.sanitize_sql([ "pages.title LIKE ? DESC, pages.title", start ]))).limit(MOST)
    render json: pages.map { |page| { id: page.public_id, title: page.title, room: page.room.name } }
  end
end
