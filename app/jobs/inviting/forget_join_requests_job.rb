# Lets go of addresses from which nobody asked to come in.
class ForgetJoinRequestsJob < ActiveJob::Base
  queue_as :long

  def perform
    JoinRequest.forget
  end
end
