class People::SuspensionsController < ApplicationController
  include OnPerson

  before_action { raise Pundit::NotAuthorizedError if @person == viewer.person }

  def create
    change(suspended: true)
  end

  def destroy
    change(suspended: false)
  end
end
