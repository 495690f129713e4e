# Draws and ends circles of a place.
class CirclesController < ApplicationController
  include OnPlace, LastDays

  door :grant

  def create
    raise Pundit::NotAuthorizedError unless house.circles?

    circle, token = params[:joining] && @page.nil? ? Circle.renew(@room, level: params[:level].to_s, by: viewer.person) : draw
    return refuse unless circle.persisted?

    redirect_to access_path, status: :see_other, flash: { circle: opening_url(token), joining: circle.joining? }
  end

  def destroy
    circle = Circle.standing.of(@place).find_by!(public_id: params[:id])
    circle.end(by: viewer.person)
    redirect_to access_path, status: :see_other, notice: t(".done")
  end

  private

  def draw
    ends_on = last_day
    ends_on.is_a?(Date) ? Circle.draw(@place, level: params[:level].to_s, ends_on: ends_on, by: viewer.person) : [ Circle.new, nil ]
  end

  def refuse
    @panel = AccessPanel.new(@place, viewer)
    @error = t(params[:joining] ? ".wrong_level" : ".wrong")
    render "accesses/show", status: :unprocessable_entity
  end
end
