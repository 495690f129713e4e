# Moving a page with all below it.
class Pages::PlacementsController < ApplicationController
  include OnPage

  before_action { authorize @page, :edit? }

  def edit
    @places = Places.new(viewer)
  end

  def update
    @places = Places.new(viewer)
    above = @places.find(params[:above])
    raise ActiveRecord::RecordNotFound unless above

    if !policy(@page).move?(above)
      @page.errors.add(:base, :may_not_move)
    elsif @page.move(to: above)
      return redirect_to(Viewer.new(viewer.person).sees?(@page.reload) ? @page : root_path, status: :see_other, notice: t(".done"))
    end
    render :edit, status: :unprocessable_entity
  end
end
