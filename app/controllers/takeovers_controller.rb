# An administrator becomes keeper of a place, in need.
class TakeoversController < ApplicationController
  before_action { authorize House, :take_over? }

  def index
    @places = Takeover.places
  end

  def create
    place = Takeover.places.map(&:place).find { |each| each.public_id == params[:place] } or raise ActiveRecord::RecordNotFound
    Takeover.take_over(place, by: viewer.person)
    redirect_to polymorphic_path([ place, :access ]), status: :see_other, notice: t(".done")
  end
end
