# Settling a remark, and opening it again.
class Remarks::SettlementsController < ApplicationController
  include OnRemark

  door :comment
  before_action { only_if(@remark.parent_id.nil? && @remark.settled_by?(viewer)) }

  def create
    @remark.settle(by: viewer.person)
    undo(remark_settlement_path(@remark), method: :delete) unless beside?
    answer(@remark, said: t(".done"), undo: remark_settlement_path(@remark))
  end

  def destroy
    @remark.reopen(by: viewer.person)
    answer(@remark, said: t(".done"))
  end
end
