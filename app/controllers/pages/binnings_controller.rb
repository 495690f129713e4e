# Putting a page in the bin, with all below it, and back.
class Pages::BinningsController < ApplicationController
  include OnPage

  skip_before_action :find_page, only: :destroy
  before_action :find_binned_page, only: :destroy

  def new
    authorize @page, :bin?
    @linked_from = LinkedFrom.of(@page, viewer)
  end

  def create
    authorize @page, :bin?
    @page.put_in_bin(by: viewer.person)
    undo page_binning_path(@page), method: :delete
    redirect_to @page.above.then { |above| viewer.signed_in? && above.is_a?(Page) && viewer.sees?(above) ? above : @room }, status: :see_other, notice: t(".done")
  end

  def destroy
    authorize @page, :put_back?
    to = Places.new(viewer).find(params[:above]) if params[:above]
    return redirect_to(room_bin_path(@room), status: :see_other, alert: t(".where")) unless to || @page.place_to_return?
    raise Pundit::NotAuthorizedError if to && !policy(@page).move?(to)

    @page.bin_root.put_back_from_bin(to: to)
    redirect_to @page, status: :see_other, notice: t(".done")
  end
end
