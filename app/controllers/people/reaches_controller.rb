# All that somebody can open, for administrators and for who keeps some of it.
class People::ReachesController < ApplicationController
  door :somebody

  def show
    raise Pundit::NotAuthorizedError unless viewer.active_member?

    @person = Person.find_by!(public_id: params[:person_id])
    @reach = Reach.new(@person, viewer)
    @group_names = Group.known_to(viewer).pluck(:id, :name).to_h
  end
end
