# How the pages of a room stand, as far as somebody reads them.
class Rooms::HealthsController < ApplicationController
  door :somebody

  def show
    @room = Room.seen_by(viewer).find_by!(public_id: params[:room_id])
    @scope = DeskScope.new(viewer, room: @room.public_id)
    @health = Care.new(viewer, pages: Page.where(room: @room)).room_health
    @tour = Tour.of(@room, viewer)
    @touring = Tour.any?(@room, viewer)
  end
end
