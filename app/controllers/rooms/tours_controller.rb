# Going through the pages of a room that one keeps, one after another.
class Rooms::ToursController < ApplicationController
  include OnTour

  door :somebody

  def show
    return render(:begin) unless @tour

    @page = Page.find(at) if at
    return render(:over) unless @page

    @before, @behind = @round.beside(@page.id).map { |id| id && Page.find(id) }
    @standing = CheckStanding.new(@page, viewer)
    @stop = @tour.stops.find_by(page: @page)
    @shown = ShownDocument.new(@page.edition, page: @page, viewer: viewer)
  end

  def create
    Tour.begin(@room, by: viewer.person)
    redirect_to room_tour_path(@room), status: :see_other
  end

  # Stops here, to go on another day.
  def update
    @tour&.stop_at(Page.find_by!(id: @order, public_id: params.require(:page)))
    redirect_to @room, status: :see_other, notice: t(".done")
  end

  def destroy
    @tour&.end
    redirect_to @room, status: :see_other, notice: t(".done")
  end

  private

  # The page that is asked for, else where the tour stopped, if nothing was said of it, else the next.
  def at
    return Page.where(id: @order).find_by!(public_id: params[:page]).id if params[:page].present?

    stopped = @tour.page_id
    @order.include?(stopped) && !@tour.stops.exists?(page_id: stopped) ? stopped : @round.next(after: stopped)
  end
end
