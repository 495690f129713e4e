# Erases what has waited in the bins for as long as the house lets it.
class EmptyBinsJob < ActiveJob::Base
  queue_as :long

  def perform
    Page.empty_bins if House.current
  end
end
