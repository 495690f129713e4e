# “I see this too”, “helped me”, “that is not it”.
class Remarks::VoicesController < ApplicationController
  include OnRemark

  door :comment

  def create
    @remark.voice(word(:kind).presence_in(@remark.voice_kinds) || @remark.voice_kinds.first, by: viewer.person)
    answer(@remark)
  end

  def destroy
    @remark.unvoice(by: viewer.person)
    answer(@remark)
  end
end
