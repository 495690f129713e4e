# Draws and ends circles of a place.
class CirclesController < ApplicationController
  include OnPlace, LastDays

  door :grant

  def create
    raise Pundit::NotAuthorizedError unless house.circles?

    circle, token = Circle.draw(@place, level: params[:level].to_s, ends_on: (last_day if last_day.is_a?(Date)), by: viewer.person)
    return refuse unless circle.persisted?

    redirect_to access_path, status: :see_other, flash: { circle: opening_url(token) }
  end

  def destroy
    circle = Circle.standing.where(@page ? { page: @page } : { room: @room, page: nil }).find_by!(public_id: params[:id])
    circle.end(by: viewer.person)
    redirect_to access_path, status: :see_other, notice: t(".done")
  end

  private

  def refuse
    @panel = AccessPanel.new(@place, viewer)
    @error = t(".wrong")
    render "accesses/show", status: :unprocessable_entity
  end
end
