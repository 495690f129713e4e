# Lets go of old editions in the rooms that do not keep all.
class ThinEditionsJob < ActiveJob::Base
  queue_as :long

  def perform
    Page.thin_all_editions
  end
end
