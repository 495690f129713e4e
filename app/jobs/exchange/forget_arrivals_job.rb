# Forgets what was brought in and never made a page of.
class ForgetArrivalsJob < ActiveJob::Base
  queue_as :long

  def perform
    Arrival.stale.find_each(&:forget)
    Arrival.where(made_at: ...Arrival::UNDONE.ago).where(id: ArrivedFile.joins(:original_attachment).select(:arrival_id)).find_each(&:slim)
  end
end
