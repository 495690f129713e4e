# Where the address leads that somebody was invited with: whoever has no account chooses a name and a password, whoever has one signs
# in and takes it.
class ComingsController < ApplicationController
  include SecretAddress

  door :anybody
  before_action :find_invitation

  def show; end

  def update
    return take if viewer.signed_in?
    raise ActiveRecord::RecordNotFound if @person

    @fresh = @invitation.come(**fields(:person).permit(:name, :password).to_h.symbolize_keys)
    return render(:show, status: :unprocessable_entity) unless @fresh.persisted?

    sign_in(:person, @fresh)
    redirect_to destination(@fresh), status: :see_other, notice: t(".done", house: house.name)
  rescue Invitation::Void
    void
  end

  private

  def find_invitation
    @invitation = Invitation.at(params[:id].to_s)
    return void unless @invitation&.holds?

    @person = Person.find_by(email: @invitation.email)
    @fresh = Person.new(name: @invitation.name)
  end

  def take
    raise ActiveRecord::RecordNotFound unless @person == viewer.person

    @invitation.take(@person)
    redirect_to destination(@person), status: :see_other, notice: t(".taken")
  end

  def destination(person)
    place = @invitation.place
    place && Viewer.new(person).level_on(place.reload) != :none ? polymorphic_path(place) : root_path
  end

  def void
    render :void, status: :not_found
  end
end
