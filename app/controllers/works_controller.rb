# Long work that somebody has started: how far it is, what came of it, and an end to it.
class WorksController < ApplicationController
  door :somebody
  before_action :find_work, only: %i[show destroy]

  def index
    @pagy, @works = pagy(own.newest_first.includes(:page, :result), limit: 50)
  end

  def show
    respond_to do |format|
      format.html
      format.json { render json: { words: helpers.work_words(@work), open: @work.open?, done: @work.done, total: @work.total, html: helpers.work_outcome(@work) } }
    end
  end

  def destroy
    @work.stop
    redirect_to work_path(@work), status: :see_other
  end

  private

  def own
    Work.where(person: viewer.person)
  end

  def find_work
    @work = own.find_by!(public_id: params[:id])
  end
end
