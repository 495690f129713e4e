# Reads texts for names of pages that stand in them without a link: for some seconds, then whatever waits for the same worker has
# its turn.
class ReadNamesJob < ActiveJob::Base
  queue_as :long

  PORTION = 15 # seconds

  def perform
    UnlinkedName.catch_up(seconds: PORTION)
    self.class.perform_later if UnlinkedName.behind?
  end
end
