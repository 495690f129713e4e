# A writer takes proposed words into the draft, or declines them.
class Remarks::TakingsController < ApplicationController
  include OnRemark

  door :edit
  before_action { raise ActiveRecord::RecordNotFound unless @remark.kind == "proposal" }

  def create
    saved = @remark.take(by: viewer.person)
    answer(@remark, said: t(".done", version: saved.version))
  rescue Zuhause::Talk::Proposing::Unfit, Zuhause::Document::Invalid
    answer(@remark.reload, problem: t(".unfit"))
  end

  def destroy
    @remark.decline(by: viewer.person)
    answer(@remark, said: t(".done"), undo: remark_settlement_path(@remark))
  end
end
