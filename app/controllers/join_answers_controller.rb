# Answering who asks to come into the house: a yes is an invitation by mail, of a no nobody is told.
class JoinAnswersController < ApplicationController
  door :people, of: House
  before_action { @asking = JoinRequest.waiting.find_by!(public_id: params[:id]) }

  def update
    raise ActionController::BadRequest, "no such role" unless Person.roles.key?(params[:role])

    @asking.let_in(role: params[:role], by: viewer.person)
    redirect_to invitations_path, status: :see_other, notice: t(".done", email: @asking.email)
  end

  def destroy
    @asking.decline(by: viewer.person)
    redirect_to invitations_path, status: :see_other, notice: t(".done")
  end
end
