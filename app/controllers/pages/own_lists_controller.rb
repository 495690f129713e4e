class Pages::OwnListsController < ApplicationController
  include OnPage

  def create
    authorize @page, :own_list?
    @page.make_own_list(by: viewer.person) unless @page.own_list?
    redirect_to page_access_path(@page), status: :see_other, notice: t(".done")
  end

  def destroy
    authorize @page, :own_list?
    @page.end_own_list if @page.own_list?
    redirect_to(Viewer.new(viewer.person).sees?(@page.reload) ? page_access_path(@page) : root_path, status: :see_other, notice: t(".done"))
  end
end
