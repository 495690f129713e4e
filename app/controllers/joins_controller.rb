# Coming in by oneself: with an address of a domain that the house names, or by asking. The answer is the same for every address.
class JoinsController < ApplicationController
  door :anybody
  before_action { raise ActiveRecord::RecordNotFound if viewer.signed_in? || !(house.joining_domains? || house.asking_to_join?) }

  def new; end

  def create
    house.joins?(word(:email).strip) ? Invitation.join(word(:email)) : JoinRequest.begin(word(:email))
    redirect_to new_person_session_path, status: :see_other, notice: t(".done")
  end
end
