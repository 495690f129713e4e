# The private part of one's feeds' addresses.
class FeedKeysController < ApplicationController
  door :somebody

  def create
    key = FeedKey.of(viewer.person)
    page = Page.seen_by(viewer).at_address(params[:page_id].to_s)
    redirect_to page_editions_path(page), status: :see_other, notice: t(".done", address: page_feed_url(key.token, page.public_id))
  end

  def destroy
    FeedKey.where(person: viewer.person).delete_all
    redirect_to edit_profile_path, status: :see_other, notice: t(".done")
  end
end
