# Controllers of the tour of a room that somebody keeps pages of.
module OnTour
  extend ActiveSupport::Concern

  included { before_action :find_tour }

  private

  # @raise [ActiveRecord::RecordNotFound] for whoever keeps nothing there
  def find_tour
    @room = Room.seen_by(viewer).find_by!(public_id: params[:room_id])
    @order = Tour.order(@room, viewer)
    raise ActiveRecord::RecordNotFound if @order.empty?

    @tour = Tour.of(@room, viewer)
    @round = @tour&.round(viewer)
  end
end
