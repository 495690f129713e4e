# Sends somebody a mail with which they choose a new password.
class People::PasswordMailsController < ApplicationController
  include OnPerson

  def create
    @person.send_reset_password_instructions
    redirect_to edit_person_path(@person), status: :see_other, notice: t(".done", name: @person.name)
  end
end
