# A question and its answer become a heading with its text in the draft.
class Remarks::SectionsController < ApplicationController
  include OnRemark

  door :edit

  def create
    written = QuestionText.new(@remark).write(by: viewer.person)
    redirect_to edit_page_draft_path(@page, anchor: "b-#{written}"), status: :see_other, notice: t(".done")
  rescue Zuhause::Document::Invalid => e
    answer(@remark, problem: e.message)
  end
end
