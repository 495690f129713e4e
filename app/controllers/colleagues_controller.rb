# Who is here, for members.
class ColleaguesController < ApplicationController
  door :somebody

  def index
    raise Pundit::NotAuthorizedError unless viewer.active_member?

    @colleagues = Colleagues.new(viewer, text: params[:q])
    @pagy, @people = pagy(@colleagues.people.includes(:groups, picture_attachment: :blob), limit: 50)
    @rooms = @colleagues.rooms_kept_by(@people)
  end
end
