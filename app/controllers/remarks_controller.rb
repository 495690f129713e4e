# One remark by itself, with all that was said to it; its words are edited and removed by whoever said them, removed by keepers too.
class RemarksController < ApplicationController
  include OnRemark

  door :seen, only: :show
  door :comment, only: %i[edit update destroy]
  before_action(only: %i[edit update]) { only_if(@remark.author_id == viewer.person.id) }

  def show
    @first = @remark.first
    return render(partial: "remarks/open", locals: { told: told, remark: @first, stage: params[:beside] }) if request.headers["X-Fragment"]

    @told = told
  end

  def edit
    render layout: !request.headers["X-Fragment"]
  end

  def update
    return answer(@remark, said: t(".done")) if @remark.edit(fields(:remark)[:body].to_s, words: fields(:remark)[:words], by: viewer.person)
    return beside(@remark.first, problem: @remark.errors.full_messages.to_sentence) if beside?

    render :edit, status: :unprocessable_entity
  end

  def destroy
    only_if(@remark.author_id == viewer.person.id || viewer.level_on(@place) == :keep)
    @remark.remove(by: viewer.person)
    answer(@remark, said: t(".done"))
  end

  private

  def told
    ToldRemarks.new([ @first ], viewer)
  end
end
