# Thins the earlier states of drafts that nobody has saved lately; while somebody writes, saving does it.
class ThinStatesJob < ActiveJob::Base
  queue_as :long

  def perform
    Page.thin_all_states
  end
end
