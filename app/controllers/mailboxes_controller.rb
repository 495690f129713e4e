# The simulated mailbox of a demo house's made-up people, and of whom they invite: what has been sent to each of them, links and all. There is no such
# door in any other house.
class MailboxesController < ApplicationController
  door :anybody

  def show
    raise ActiveRecord::RecordNotFound unless house.demo?

    @person = Person.find_by(public_id: params[:id]) || Invitation.find_by(public_id: params[:id]) || JoinRequest.find_by!(public_id: params[:id])
    @mails = SentMail.where(recipient: @person.email).newest_first.limit(20)
  end
end
