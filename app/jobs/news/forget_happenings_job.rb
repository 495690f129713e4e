# Lets go of what is not kept for good.
class ForgetHappeningsJob < ActiveJob::Base
  def perform
    Happening.forget
  end
end
