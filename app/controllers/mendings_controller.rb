# Making what leads to one thing lead to another: looked at first, then done page by page.
class MendingsController < ApplicationController
  door :somebody
  before_action :find_from, only: %i[new create]

  def new
    @outlook = Mending.outlook(@from, viewer)
  end

  def create
    wanted = WantedTarget.new(params[:to].to_s, viewer, base_url: request.base_url, from: @from)
    return redirect_to(work_path(Mending.start(from: @from, to: wanted.target, by: viewer.person, page: @page)), status: :see_other) if wanted.target

    @outlook = Mending.outlook(@from, viewer)
    @problem, @meant = wanted.problem, wanted.choices
    render :new, status: :unprocessable_entity
  end

  # Undoing one: the work that did it.
  def destroy
    work = Work.find_by!(public_id: params[:id], person: viewer.person, kind: "mending", state: "done")
    redirect_to work_path(Mending.undo(work, by: viewer.person)), status: :see_other
  end

  private

  # What leads there in texts that one may write is known to whoever writes them.
  def find_from
    @from = Zuhause::Links::Target.parse(params[:from].to_s) or raise ActiveRecord::RecordNotFound
    @page = Page.seen_by(viewer).find_by(public_id: @from.value) if @from.kind == :page
  end
end
