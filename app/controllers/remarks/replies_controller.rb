class Remarks::RepliesController < ApplicationController
  include OnRemark

  door :comment

  def create
    reply = @remark.first.reply(fields(:remark)[:body].to_s, by: viewer.person)
    return answer(@remark.first, said: t(".done")) if reply.persisted?
    return beside(@remark.first, problem: reply.errors.full_messages.to_sentence, unsaid: reply) if beside?

    @first, @reply = @remark.first, reply
    @told = ToldRemarks.new([ @first ], viewer)
    render "remarks/show", status: :unprocessable_entity
  end
end
