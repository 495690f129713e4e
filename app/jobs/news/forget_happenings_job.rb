# Lets go of what is not kept for good.
class ForgetHappeningsJob < ActiveJob::Base
  queue_as :long

  def perform
    Happening.forget
    Telling.forget
  end
end
