class Pages::ApprovalsController < ApplicationController
  include OnPage

  door :look_over

  def create
    @page.approve(version: params.require(:version).to_i, by: viewer.person)
    redirect_to page_review_path(@page), status: :see_other, notice: t(".done")
  rescue Page::Publishing::Stale
    redirect_to page_review_path(@page), status: :see_other, alert: t(".stale")
  rescue Review::Refused
    raise Pundit::NotAuthorizedError
  end
end
