class Pages::TaggingsController < ApplicationController
  include OnPage

  door :tag

  def edit
    render layout: !request.headers["X-Fragment"]
  end

  def update
    return redirect_to(@page, status: :see_other, notice: t(".done")) if @page.tag_with(Tag.names_in(params[:tags]), by: viewer.person)

    render :edit, status: :unprocessable_entity
  end
end
