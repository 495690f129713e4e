# All that could not be kept as it was: how much of each kind, or where it stands.
class Arrivals::LossesController < ApplicationController
  include OnArrival

  PAGE = 100

  def index
    losses = @arrival.losses
    return render(partial: "arrivals/losses", locals: { losses: losses.counts }) unless params[:code]

    @code = params[:code].to_s
    found = losses.of(@code)
    raise ActiveRecord::RecordNotFound if found.empty?

    @pagy = paged(found.size, limit: PAGE)
    @losses = found[@pagy.offset, PAGE] || []
  end
end
