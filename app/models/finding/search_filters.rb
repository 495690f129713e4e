# What a search is narrowed to: a room, a tag, an author, a time.
class SearchFilters
  TIMES = { "week" => 7, "month" => 30, "year" => 365 }.freeze # days

  attr_reader :room, :tag, :author, :time

  # @param params [Hash] public ids by name, and a time of TIMES; what the viewer does not see counts for nothing
  def initialize(params, viewer)
    @room = params[:room].presence && Room.seen_by(viewer).find_by(public_id: params[:room].to_s)
    @tag = params[:tag].presence && Tag.seen_by(viewer).find_by(public_id: params[:tag].to_s)
    @author = params[:author].presence && viewer.signed_in? ? Person.find_by(public_id: params[:author].to_s) : nil
    @time = params[:time].presence_in(TIMES.keys)
  end

  def any?
    [ room, tag, author, time ].any?
  end

  # What stands in the practice room is found in that room alone.
  #
  # @param pages [ActiveRecord::Relation<Page>]
  def narrow(pages)
    pages = room ? pages.where(room: room) : pages.in_earnest
    pages = pages.where(id: tag.taggings.select(:page_id)) if tag
    pages = pages.where(id: Edition.where(author: author).select(:page_id)) if author
    pages = pages.where(edition_id: Edition.where(published_at: TIMES.fetch(time).days.ago..)) if time
    pages
  end
end
