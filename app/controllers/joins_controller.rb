# Whoever has an address of a domain that the house names becomes a member by themselves. The answer is the same for every address.
class JoinsController < ApplicationController
  door :anybody
  before_action { raise ActiveRecord::RecordNotFound if house.joining_domains.empty? || viewer.signed_in? }

  def new; end

  def create
    Invitation.join(word(:email))
    redirect_to new_person_session_path, status: :see_other, notice: t(".done")
  end
end
