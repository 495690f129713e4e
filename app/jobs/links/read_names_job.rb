# Reads texts for names of pages that stand in them without a link.
class ReadNamesJob < ActiveJob::Base
  queue_as :long

  def perform
    UnlinkedName.catch_up
  end
end
