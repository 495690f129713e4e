# Following a page, with what is below it or without, a room, a tag or a kept search; and stopping.
class FollowsController < ApplicationController
  include FollowedPlace

  door :somebody
  before_action { @followed = followed }

  def create
    Follow.begin(viewer.person, @followed, below: params[:below] == "1")
    redirect_back_or_to root_path, status: :see_other, notice: t(".done.#{@followed.model_name.i18n_key}#{"_below" if params[:below] == "1"}")
  end

  def destroy
    Follow.stop(viewer.person, @followed)
    redirect_back_or_to root_path, status: :see_other, notice: t(".done")
  end
end
