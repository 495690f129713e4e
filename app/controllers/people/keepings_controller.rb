# What somebody alone keeps, given to somebody else.
class People::KeepingsController < ApplicationController
  include OnPerson

  before_action { @keepings = Keepings.new(@person) }

  def show; end

  def create
    to = Person.active.member.find_by(public_id: word(:to))
    return refuse if to.nil? || to == @person

    places = @keepings.hand_over(to: to, by: viewer.person)
    redirect_to edit_person_path(@person), status: :see_other, notice: t(".done", count: places, name: to.name)
  end

  private

  def refuse
    @problem = t(".nobody")
    render :show, status: :unprocessable_entity
  end
end
