# Sends an invitation once more; what was sent before works no longer.
class Invitations::SendingsController < ApplicationController
  door :somebody

  def create
    invitation = Invitation.looked_after_by(viewer).untaken.find_by!(public_id: params[:invitation_id])
    raise Pundit::NotAuthorizedError unless Inviting.new(viewer, place: invitation.place, group: invitation.group).may?(invitation.role.to_sym)

    invitation.inviter = viewer.person
    invitation.send_out
    redirect_to invitations_path, status: :see_other, notice: t(".done", email: invitation.email)
  end
end
