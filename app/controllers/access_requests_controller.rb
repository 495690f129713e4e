# Asking for what one may not see, and answering.
class AccessRequestsController < ApplicationController
  door :somebody

  def index
    @requests = AccessRequest.for_keeper(viewer).includes(:person, :page, :room).order(:id).to_a
  end

  # The answer is the same whether there is such a place or not.
  def create
    AccessRequest.ask(viewer.person, word(:address), words: word(:words))
    redirect_to root_path, status: :see_other, notice: t(".done")
  rescue AccessRequest::TooMany
    redirect_to root_path, status: :see_other, alert: t(".too_many", count: AccessRequest::MOST)
  end

  # Nobody is told.
  def destroy
    request = AccessRequest.for_keeper(viewer).find_by!(public_id: params[:id])
    AccessRequest.answer(request.place, request.person_id, given: false, by: viewer.person)
    redirect_to access_requests_path, status: :see_other, notice: t(".done")
  end
end
