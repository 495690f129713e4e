# Those who keep a page have heard whom it did not help.
class HelpAnswers::HearingsController < ApplicationController
  include WorksThrough

  before_action :find_answer
  door :check

  def create
    @answer.update!(seen_at: Time.current)
    undo help_answer_hearing_path(@answer), method: :delete
    worked_on(t(".done"), taken_back_by: help_answer_hearing_path(@answer))
  end

  def destroy
    @answer.update!(seen_at: nil)
    worked_on(t(".done"))
  end

  private

  def find_answer
    @answer = HelpAnswer.where(page_id: Page.seen_by(viewer).select(:id)).find(params[:help_answer_id])
    @page = @answer.page
    @room = @page.room
  end
end
