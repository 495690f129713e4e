# Signing oneself out on every device but this one.
class Profiles::SessionsController < ApplicationController
  door :somebody

  def destroy
    viewer.person.end_sessions(by: viewer.person)
    go_on_signed_in
    redirect_to edit_profile_path, status: :see_other, notice: t(".done")
  end
end
