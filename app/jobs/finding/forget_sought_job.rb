# Forgets what was sought long ago, and all of it where the house gathers it no more.
class ForgetSoughtJob < ActiveJob::Base
  queue_as :long

  def perform
    House.current&.gathers_sought? ? Sought.forget : Sought.delete_all
  end
end
