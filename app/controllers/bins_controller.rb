# What of a room is in the bin, for who may write it.
class BinsController < ApplicationController
  door :seen

  def show
    @room = Room.seen_by(viewer).find_by!(public_id: params[:room_id])
    @pagy, @pages = pagy(@room.pages.bin_roots.in_bin_of(viewer).includes(:binned_by).order(binned_at: :desc), limit: 50)
    raise ActiveRecord::RecordNotFound if @pages.empty? && !policy(@room).see_bin?

    @places = Places.new(viewer)
    @along = Page.in_bin_of(viewer).where(bin_root_id: @pages.map(&:id)).group(:bin_root_id).count
    @erasable = viewer.list_ids(:keep)
  end
end
