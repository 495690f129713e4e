# Begins to read what has come; or reads it once more, with what had been left out of every page.
class Arrivals::ReadingsController < ApplicationController
  include OnArrival

  before_action :still_to_be_made

  def create
    raise ActiveRecord::RecordNotFound if @arrival.files.none?

    @arrival.read_again(back: Array(params[:back]).flat_map { |places| places.to_s.split(",") }) if @arrival.work
    @arrival.update!(anew: true) if params[:anew] == "1"
    @arrival.begin_reading(address: request.base_url, above: params[:above].presence)
    redirect_to arrival_path(@arrival, above: params[:above].presence), status: :see_other
  end
end
