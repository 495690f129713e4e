class Pages::TimedPublicationsController < ApplicationController
  include OnPage

  door :publish

  def destroy
    @page.timed_publication&.take_back(by: viewer.person)
    redirect_to page_path(@page), status: :see_other, notice: t(".done")
  end
end
