# Ticking a task while reading, or taking the tick away.
class Pages::TicksController < ApplicationController
  include OnPage

  door :tick

  def update
    task = Task.where(page: @page).find_by!(block_id: params[:id])
    task.tick(params[:done] == "1", by: viewer.person)
    respond_to do |format|
      format.json { render json: { done: task.done } }
      format.html { redirect_to url_from(params[:back]) || page_path(@page, anchor: "b-#{task.block_id}"), status: :see_other }
    end
  end
end
