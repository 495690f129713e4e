# One-click sign-in for the made-up people of a demo house; there is no such door in any other house.
class DemoSessionsController < ApplicationController
  door :anybody

  def create
    raise ActiveRecord::RecordNotFound unless house.demo?

    person = Person.active.find_by!(public_id: word(:person))
    sign_in(person)
    redirect_to stored_location_for(:person) || root_path, status: :see_other
  end
end
