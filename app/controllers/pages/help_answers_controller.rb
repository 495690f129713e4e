# Whether a page helped: said by one click, with a word to those who keep it if one likes.
class Pages::HelpAnswersController < ApplicationController
  include OnPage

  door :answer_help

  def create
    answer HelpAnswer.give(@page, by: viewer.person, helped: params[:helped] == "1")
  end

  def update
    given = HelpAnswer.of(@page, viewer.person) or raise ActiveRecord::RecordNotFound
    answer HelpAnswer.give(@page, by: viewer.person, helped: given.helped?, words: fields(:answer)[:words].to_s)
  end

  private

  def answer(answer)
    status = answer.errors.any? ? :unprocessable_entity : :ok
    return render(partial: "pages/help_answers/asked", locals: { page: @page, answer: answer }, status: status) if request.headers["X-Fragment"]

    redirect_to page_path(@page, anchor: "helped"), status: :see_other, notice: (t("help_answers.thanks") if status == :ok), alert: answer.errors.full_messages.to_sentence.presence
  end
end
