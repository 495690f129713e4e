# Where a slip leads: its code opens the way to a password of one's own, once.
class StartsController < ApplicationController
  include SecretAddress

  door :anybody
  before_action { redirect_to root_path if viewer.signed_in? }

  def show; end

  def update
    slip = Slip.at(word(:code))
    return refuse(t(".wrong")) unless slip

    @person = slip.person
    return render(:show, status: :unprocessable_entity) unless slip.use(word(:password))

    sign_in(:person, @person)
    redirect_to root_path, status: :see_other, notice: t(".done", house: house.name)
  end

  private

  def refuse(message)
    @problem = message
    render :show, status: :unprocessable_entity
  end
end
