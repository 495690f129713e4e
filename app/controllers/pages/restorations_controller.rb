class Pages::RestorationsController < ApplicationController
  include OnPage

  door :publish

  def create
    old = @page.editions_seen_by(viewer).find_by!(number: params[:edition_id])
    edition = @page.put_back(old, by: viewer.person)
    redirect_to @page, status: :see_other, notice: t(".done", old: old.number, new: edition.number)
  rescue Page::Reviewed::Unreviewed
    redirect_to page_editions_path(@page), status: :see_other, alert: t("pages.publications.create.unreviewed")
  rescue Page::Publishing::Unchanged
    redirect_to page_editions_path(@page), status: :see_other, alert: t(".unchanged")
  end
end
