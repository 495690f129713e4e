# Begins and ends looking at the house as somebody else sees it.
class LooksController < ApplicationController
  door :somebody

  def create
    raise Pundit::NotAuthorizedError unless viewer.active_member?
    raise ActiveRecord::RecordNotFound unless LookingViewer.named(word(:who), viewer)

    session[:look] = word(:who)
    redirect_to back, status: :see_other
  end

  def destroy
    session.delete(:look)
    redirect_to root_path, status: :see_other, notice: t(".done")
  end

  private

  # A page or a room of this house.
  def back
    params[:back].to_s.match?(%r{\A/(?:p|rooms)/[a-z0-9-]+\z}) ? params[:back] : root_path
  end
end
