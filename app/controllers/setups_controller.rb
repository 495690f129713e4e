# The first thing ever done in a house: its name, and its owner.
class SetupsController < ApplicationController
  skip_before_action :set_up_first
  door :anybody
  before_action { raise ActiveRecord::RecordNotFound if House.current }

  def new
    @house = House.new
    @person = Person.new
  end

  def create
    @house, @person, saved = House.set_up(name: setup_params[:house_name], owner: setup_params.except(:house_name))
    return render(:new, status: :unprocessable_entity) unless saved

    sign_in(@person)
    redirect_to root_path, status: :see_other
  end

  private

  def setup_params
    fields(:setup).permit(:house_name, :name, :email, :password)
  end

  def not_found
    head :not_found
  end
end
