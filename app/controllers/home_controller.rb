class HomeController < ApplicationController
  door :anybody

  LATEST, UNFINISHED = 12, 6

  def show
    return redirect_to(new_person_session_path) unless viewer.signed_in? || viewer.looking?

    @front = FrontPage.shown(house, viewer)
    @rooms = Room.seen_by(viewer).in_order
    @steps = FirstSteps.for(viewer)
    @counts = Page.seen_by(viewer).group(:room_id).count
    @unfinished = viewer.signed_in? ? Page.writable_by(viewer).in_earnest.unfinished_by(viewer.person).limit(UNFINISHED).preload(:room, :draft).to_a : []
    @latest = LatestChanges.for(viewer, most: LATEST)
  end
end
