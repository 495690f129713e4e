# The drawn map of a room: clusters, bridges and islands.
class Rooms::MapsController < ApplicationController
  door :seen

  def show
    @room = Room.seen_by(viewer).find_by!(public_id: params[:room_id])
    @drawn = DrawnLinks.of_room(@room, viewer)
  end
end
