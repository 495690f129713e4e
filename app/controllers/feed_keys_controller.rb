# The private part of one's feeds' addresses.
class FeedKeysController < ApplicationController
  door :somebody

  # Tells the address of a feed: of a page's history or of what is said to it, of the latest changes, of all or of one room, or of one's news.
  def create
    token = FeedKey.of(viewer.person).token
    back, address = feed(token)
    redirect_to back, status: :see_other, notice: t(".done", address: address)
  end

  def destroy
    FeedKey.where(person: viewer.person).delete_all
    redirect_to edit_profile_path, status: :see_other, notice: t(".done")
  end

  private

  # @return [Array(String, String)] the screen that shows the same, and the address
  def feed(token)
    return feed_of(Page.seen_by(viewer).at_address(params[:page_id].to_s), token) if params[:page_id]
    return [ news_index_path, news_feed_url(token) ] if params[:of] == "news"

    room = params[:room].presence && Room.seen_by(viewer).find_by!(public_id: params[:room])
    [ changes_path(room: room&.public_id), changes_feed_url(token, room: room&.public_id) ]
  end

  # Of its history, or of what is said to it.
  def feed_of(page, token)
    params[:of] == "talk" ? [ page_remarks_path(page), page_talk_feed_url(token, page.public_id) ] : [ page_editions_path(page), page_feed_url(token, page.public_id) ]
  end
end
