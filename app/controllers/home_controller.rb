class HomeController < ApplicationController
  door :anybody

  LATEST = 12

  def show
    return redirect_to(new_person_session_path) unless viewer.signed_in? || viewer.looking?

    @front = FrontPage.shown(house, viewer)
    @rooms = Room.seen_by(viewer).in_order
    @steps = FirstSteps.for(viewer)
    @counts = Page.seen_by(viewer).group(:room_id).count
    @latest = LatestChanges.for(viewer, most: LATEST)
  end
end
