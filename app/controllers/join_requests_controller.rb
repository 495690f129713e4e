# Asking to come into the house, from the address in a mail.
class JoinRequestsController < ApplicationController
  include SecretAddress

  door :anybody
  before_action do
    @asking = JoinRequest.at(params[:id].to_s) or raise ActiveRecord::RecordNotFound
  end

  def show; end

  def update
    asked = fields(:join_request)
    return render(:show, status: :unprocessable_entity) unless @asking.ask(name: asked[:name].to_s, words: asked[:words].to_s)

    redirect_to new_person_session_path, status: :see_other, notice: t(".done", house: house.name)
  end
end
