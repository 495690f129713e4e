# Questions to a page as a whole.
class Pages::QuestionsController < ApplicationController
  include OnPage
  include Talks

  door :seen, only: :index
  door :comment, only: %i[new create]

  def index
    @pagy, @questions = pagy(Remark.of_page(@page, viewer).kept.firsts.of_kind("question").order(:id), limit: 50)
    @told = ToldRemarks.new(@questions, viewer)
  end

  # What already answers it is shown before it is asked.
  def new
    @question = Remark.new(body: params[:body].to_s)
    @found = AlreadyAnswered.new(params[:body].to_s, @page, viewer) if params[:body].present?
  end

  def create
    given = fields(:remark)
    @question = asked(given)
    return answer(@question, said: t(".done")) if @question.persisted?

    render :new, status: :unprocessable_entity
  end

  private

  # Whoever may write here also enters what was asked at the counter or by telephone, with its answer.
  def asked(given)
    return Remark.say(@page, kind: "question", body: given[:body].to_s, by: viewer.person, draft: !@page.published?) if given[:origin].blank? && given[:answer].blank?
    raise Pundit::NotAuthorizedError unless policy(@page).edit?

    Remark.enter(@page, body: given[:body].to_s, origin: given[:origin].to_s, answer: given[:answer].to_s, by: viewer.person)
  end
end
