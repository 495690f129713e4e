# Erasing a page that is in the bin, for good.
class Pages::ErasuresController < ApplicationController
  include OnPage

  skip_before_action :find_page
  before_action :find_binned_page
  door :erase

  def new; end

  def create
    count = acting_on(@page, :erase?) { @page.erase(by: viewer.person) }
    redirect_to room_bin_path(@room), status: :see_other, notice: t(".done", count: count)
  end
end
