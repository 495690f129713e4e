# Making what leads to one thing lead to another: looked at first, then done page by page.
class MendingsController < ApplicationController
  door :somebody
  before_action :find_from, only: %i[new create]

  def new
    @outlook = Mending.outlook(@from, viewer, only: @only)
  end

  def create
    return lead(nil) if params[:text] == "1"

    wanted = WantedTarget.new(params[:to].to_s, viewer, base_url: request.base_url, from: @from)
    return lead(wanted.target) if wanted.target

    @outlook = Mending.outlook(@from, viewer, only: @only)
    @problem, @meant = wanted.problem, wanted.choices
    render :new, status: :unprocessable_entity
  end

  # Undoing one: the work that did it.
  def destroy
    work = Work.find_by!(public_id: params[:id], person: viewer.person, kind: "mending", state: "done")
    undone = Mending.undo(work, by: viewer.person)
    redirect_to((back unless undone.open?) || work_path(undone), status: :see_other)
  end

  private

  # @return [String, nil] the list of the desk that one comes back to
  def back
    { "broken" => desk_broken_index_path, "addresses" => desk_addresses_path }[params[:back]]
  end

  # Of a decision among several one comes back to them, with what takes it back.
  def lead(to)
    work = Mending.start(from: @from, to: to, by: viewer.person, page: @page, only: @only)
    return redirect_to(work_path(work), status: :see_other) if work.open? || back.nil?

    undo mending_path(work.public_id), method: :delete, back: params[:back]
    redirect_to back, status: :see_other, notice: t(".done", count: work.details["saved"].size)
  end

  # What leads there in texts that one may write is known to whoever writes them.
  def find_from
    @from = Zuhause::Links::Target.parse(params[:from].to_s) or raise ActiveRecord::RecordNotFound
    @page = Page.seen_by(viewer).find_by(public_id: @from.value) if @from.kind == :page
    @on = Page.writable_by(viewer).find_by!(public_id: params[:only]) if params[:only].present?
    @only = @on && [ @on.public_id ]
  end
end
