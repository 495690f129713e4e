class Pages::PinsController < ApplicationController
  include OnPage

  door :pin, only: :create
  door :seen, only: :destroy

  def create
    Pin.find_or_create_by!(person: viewer.person, page: @page)
    redirect_to @page, status: :see_other, notice: t(".done")
  end

  def destroy
    Pin.where(person: viewer.person, page: @page).delete_all
    redirect_to @page, status: :see_other, notice: t(".done")
  end
end
