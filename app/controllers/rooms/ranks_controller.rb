# The order of the rooms, for everybody.
class Rooms::RanksController < ApplicationController
  door :order_rooms, of: House

  def update
    rooms = Room.shared.seen_by(viewer).in_order.to_a
    at = rooms.index { |room| room.public_id == params[:room_id] } or raise ActiveRecord::RecordNotFound
    rooms[at].go_past(params[:to] == "up" ? (rooms[at - 1] if at.positive?) : rooms[at + 1])
    redirect_to edit_house_path(anchor: "rooms"), status: :see_other
  end
end
