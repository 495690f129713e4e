# Which answer to a question helps, as its asker or a keeper says.
class Remarks::ChoicesController < ApplicationController
  include OnRemark

  door :comment
  before_action { raise ActiveRecord::RecordNotFound unless @remark.parent&.kind == "question" }
  before_action { only_if(@remark.parent.chosen_by?(viewer)) }

  def create
    @remark.parent.choose(@remark, by: viewer.person)
    answer(@remark)
  end

  def destroy
    @remark.parent.choose(nil, by: viewer.person)
    answer(@remark)
  end
end
