# Controllers of the access to a page or a room the viewer sees.
module OnPlace
  extend ActiveSupport::Concern

  included do
    before_action :find_place
  end

  private

  def find_place
    @place = if params[:page_id] then Page.seen_by(viewer).at_address(params[:page_id])
    else Room.seen_by(viewer).find_by!(public_id: params[:room_id])
    end
    @page = @place if @place.is_a?(Page)
    @room = @place.room
  end

  def access_path
    @page ? page_access_path(@page) : room_access_path(@room)
  end
end
