# An administrator becomes keeper of a place, in need.
class TakeoversController < ApplicationController
  door :take_over, of: House

  def index
    places = Takeover.places
    @pagy = paged(places.size)
    @places = places[@pagy.offset, @pagy.limit]
  end

  def create
    place = Takeover.places.map(&:place).find { |each| each.public_id == params[:place] } or raise ActiveRecord::RecordNotFound
    Takeover.take_over(place, by: viewer.person)
    redirect_to polymorphic_path([ place, :access ]), status: :see_other, notice: t(".done")
  end
end
