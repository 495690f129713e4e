class People::RolesController < ApplicationController
  include OnPerson, RoleParams

  def update
    change(role_and_office)
  end
end
