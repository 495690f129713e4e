# Throwing away what was written since the last edition: seen first, and undone by taking back the state that it was.
class Pages::DiscardsController < ApplicationController
  include OnPage

  door :edit
  before_action :find_edition

  def new
    @comparison = StateComparison.new(@page, viewer, from: @page.edition.number.to_s, to: "draft")
  end

  def create
    thrown = @page.discard_draft(version: params[:version].to_i, by: viewer.person)
    undo(page_state_path(@page, thrown), method: :patch)
    redirect_to @page, status: :see_other, notice: t(".done", number: @page.edition.number)
  rescue Page::Publishing::Stale
    redirect_to new_page_discard_path(@page), status: :see_other, alert: t(".stale")
  rescue Page::Publishing::Unchanged
    redirect_to @page, status: :see_other, alert: t(".unchanged", number: @page.edition.number)
  end

  private

  def find_edition
    raise ActiveRecord::RecordNotFound unless @page.published?
  end
end
