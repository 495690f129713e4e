# What can be followed, of what the viewer sees: a page, a room, a tag, or a search that they keep.
module FollowedPlace
  extend ActiveSupport::Concern

  private

  # @return [Page, Room, Tag, KeptSearch]
  def followed
    if params[:page_id] then @page = Page.seen_by(viewer).at_address(params[:page_id])
    elsif params[:room_id] then @room = Room.giving(viewer, :read).find_by!(public_id: params[:room_id])
    elsif params[:tag_id] then Tag.seen_by(viewer).find_by!(public_id: params[:tag_id])
    else viewer.person.kept_searches.find_by!(public_id: params[:kept_search_id])
    end
  end
end
