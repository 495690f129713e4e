# A remark becomes a question to its page.
class Remarks::QuestionsController < ApplicationController
  include OnRemark

  door :comment
  before_action { only_if(@remark.settled_by?(viewer)) }

  def create
    raise ActiveRecord::RecordNotFound unless @page && @remark.parent_id.nil?

    @remark.become_question(by: viewer.person)
    answer(@remark, said: t(".done"))
  end
end
