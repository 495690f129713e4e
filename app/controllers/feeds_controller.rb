# Feeds at private addresses, for programs that cannot sign in: what whoever owns the address may read now.
class FeedsController < ApplicationController
  door :anybody

  MOST = 50

  before_action { @reader = FeedKey.viewer(params[:token]) or raise ActiveRecord::RecordNotFound }

  # What the owner has been told.
  def news
    render formats: :atom, locals: { groups: NewsList.new(@reader, show: "all").groups(limit: MOST), words: NewsWords.new(@reader) }
  end

  # The latest changes, of all or of one room.
  def changes
    room = params[:room].presence && Room.seen_by(@reader).find_by!(public_id: params[:room])
    render formats: :atom, locals: { happenings: LatestChanges.new(@reader, room: room).happenings.limit(MOST), room: room }
  end

  # What is said to a page, newest first.
  def talk
    page = Page.seen_by(@reader).at_address(params[:page_id])
    remarks = Remark.seen_by(@reader).kept.where(page: page).includes(:author, :parent).order(created_at: :desc, id: :desc).limit(MOST).to_a
    render formats: :atom, locals: { page: page, remarks: remarks, told: ToldRemarks.new(remarks, @reader, replies: false) }
  end

  # The history of a page.
  def show
    reader = @reader
    page = Page.read_by(reader).at_address(params[:page_id])
    editions = page.editions.standing.newest_first.includes(:author).limit(Pages::EditionsController::PER_PAGE)
    render "feeds/page", formats: :atom, locals: { page: page, editions: editions, reader: reader }
  end
end
