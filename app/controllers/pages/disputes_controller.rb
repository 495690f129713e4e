# What is to be settled of a draft that two wrote: what gave way is taken, or what holds stays.
class Pages::DisputesController < ApplicationController
  include OnPage
  include TellsDraft

  door :edit
  before_action(except: :index) { @dispute = @page.disputes.find(params[:id]) }

  def index
    @disputes = @page.disputes.oldest_first.includes(:person)
    @open = Zuhause::Merging.open_in(@page.draft.document)
  end

  def update
    saved = @dispute.take(by: viewer.person)
    saved.persisted? ? answer : answer(problem: saved.errors.full_messages.to_sentence)
  rescue Zuhause::Document::Invalid => e
    answer(problem: problems_of(e).to_sentence)
  end

  def destroy
    @dispute.destroy!
    answer
  end

  private

  def answer(problem: nil)
    respond_to do |format|
      format.json { problem ? render(json: { error: problem }, status: :unprocessable_entity) : render(json: as_text(@page.reload.draft, since: params[:since].to_i)) }
      format.html { redirect_to page_disputes_path(@page), status: :see_other, alert: problem, notice: (t(".done") unless problem) }
    end
  end
end
