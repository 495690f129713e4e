# Takes one change of the draft back, as it was in an edition.
class Pages::PutBacksController < ApplicationController
  include OnPage

  door :edit

  def create
    comparison = StateComparison.new(@page, viewer, from: params[:from].to_s, to: "draft")
    draft = comparison.to
    saved = put_back(comparison, draft) if draft.version == params[:version].to_i
    notice = saved ? { notice: t(".done") } : { alert: t(".stale") }
    redirect_to page_comparison_path(@page, from: params[:from], to: "draft"), status: :see_other, **notice
  rescue KeyError
    raise ActiveRecord::RecordNotFound
  end

  private

  def put_back(comparison, draft)
    document = comparison.changes.put_back(params[:change].to_i)
    @page.save_draft(draft.state.with(document: document), base_version: draft.version, by: viewer.person)
  end
end
