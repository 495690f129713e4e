class Profiles::NewPasswordsController < ApplicationController
  door :somebody

  def edit
    @person = viewer.person
  end

  def update
    @person = viewer.person
    return render(:edit, status: :unprocessable_entity) unless @person.update_with_password(fields(:person).permit(:current_password, :password))

    HouseMailer.password_changed(@person).deliver_now
    go_on_signed_in
    redirect_to edit_profile_path, status: :see_other, notice: t(".done")
  end
end
