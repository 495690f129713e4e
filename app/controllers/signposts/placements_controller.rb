# Gives a heading or link its place in the plan.
class Signposts::PlacementsController < ApplicationController
  def update
    room = Room.seen_by(viewer).find_by!(public_id: params[:room_id])
    signpost = room.signposts.find(params[:signpost_id])
    above = Places.new(viewer).find(params[:above]) or raise ActiveRecord::RecordNotFound
    [ signpost.above, above ].each { |place| authorize place, :add_page? }

    before = above.room.pages.merge(Page.seen_by(viewer)).find_by(public_id: params[:before]) if params[:before].present?
    signpost.stand(above: above, before: before, behind: above.room.signposts.find_by(id: params[:behind]))
    render json: { words: t(".spoken", title: signpost.title) }
  end
end
