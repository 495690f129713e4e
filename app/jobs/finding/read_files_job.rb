# Reads what stands in files that pages have come to show.
class ReadFilesJob < ActiveJob::Base
  queue_as :long

  def perform
    FileText.catch_up
  end
end
