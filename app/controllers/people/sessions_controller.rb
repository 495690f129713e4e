# Signs somebody out everywhere.
class People::SessionsController < ApplicationController
  include OnPerson

  def destroy
    @person.end_sessions(by: viewer.person)
    redirect_to edit_person_path(@person), status: :see_other, notice: t(".done", name: @person.name)
  end
end
