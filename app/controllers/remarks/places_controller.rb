# Which of several likely places is meant.
class Remarks::PlacesController < ApplicationController
  include OnRemark

  door :comment
  before_action { only_if(@remark.settled_by?(viewer)) }

  def update
    taken = @remark.places.where(stage: params[:stage].to_s.presence_in(RemarkPlace::STAGES) || "edition").first&.take(params[:candidate].to_i)
    answer(@remark, said: (t(".done") if taken), problem: (t(".gone") unless taken))
  end
end
