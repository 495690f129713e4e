# What comes of pages in the place that is chosen for them: who will see them, and which are there already.
class Arrivals::PlacesController < ApplicationController
  include OnArrival

  SHOWN = 200 # pages that are there already; further ones go with the rest

  before_action :still_to_be_made

  def show
    place = Places.new(viewer).find(params[:above]) or raise ActiveRecord::RecordNotFound
    raise Pundit::NotAuthorizedError unless policy(place).add_page?

    render partial: "arrivals/place", locals: { arrival: @arrival, place: place, chosen: {} }
  end
end
