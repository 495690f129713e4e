class Pages::ApprovalsController < ApplicationController
  include OnPage

  door :look_over

  def create
    edition = @page.approve(version: params.require(:version).to_i, by: viewer.person)
    redirect_to page_review_path(@page), status: :see_other, notice: edition ? t(".published", number: edition.number) : t(".done")
  rescue Page::Publishing::Stale
    redirect_to page_review_path(@page), status: :see_other, alert: t(".stale")
  end

  def destroy
    @page.unapprove(by: viewer.person)
    redirect_to page_review_path(@page), status: :see_other, notice: t(".done")
  end
end
