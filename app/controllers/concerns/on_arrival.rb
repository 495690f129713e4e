# What somebody brought in, for whom nobody else meets it.
module OnArrival
  extend ActiveSupport::Concern

  included do
    door :somebody
    before_action { @arrival = Arrival.standing.where(person: viewer.person).find_by!(public_id: params[:arrival_id].to_s) }
  end

  private

  # Once pages are being made of it, or have been, it is as it is.
  def still_to_be_made
    raise ActiveRecord::RecordNotFound if @arrival.made_at || @arrival.work&.open?
  end
end
