class Pages::OwnListsController < ApplicationController
  include OnPlace

  door :own_list

  def create
    return redirect_to(access_path, status: :see_other) if @page.own_list?

    expose(:own_list_made, ->(_holders) { @page.exposure_of_own_list(by: viewer.person) }) { @page.make_own_list(by: viewer.person) }
  end

  def destroy
    return redirect_to(access_path, status: :see_other) unless @page.own_list?

    expose(:own_list_ended, ->(_holders) { @page.exposure_of_ending_own_list }) { @page.end_own_list }
  end
end
