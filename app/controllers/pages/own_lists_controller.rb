class Pages::OwnListsController < ApplicationController
  include OnPlace

  before_action { authorize @page, :own_list? }

  def create
    return redirect_to(access_path, status: :see_other) if @page.own_list?

    expose(:own_list_made) { @page.make_own_list(by: viewer.person) }
  end

  def destroy
    return redirect_to(access_path, status: :see_other) unless @page.own_list?

    expose(:own_list_ended) { @page.end_own_list }
  end
end
