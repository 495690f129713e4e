# Controllers of something that a page or a room has: the one that is named in the address, if the viewer sees it.
module FindsPlace
  extend ActiveSupport::Concern

  included do
    before_action :find_place
  end

  private

  def find_place
    @place = params[:page_id] ? Page.seen_by(viewer).at_address(params[:page_id]) : Room.seen_by(viewer).find_by!(public_id: params[:room_id])
    @page = @place if @place.is_a?(Page)
    @room = @place.room
  end
end
