# One's own tasks, across all pages that one reads.
class TasksController < ApplicationController
  door :somebody

  def index
    @by = params[:by] == "page" ? "page" : "date"
    @done = params[:done] == "1"
    tasks = Task.where(assignee: viewer.person, done: @done).joins(:page).merge(Page.read_by(viewer)).includes(page: :room)
    tasks = @by == "page" ? tasks.order("pages.title COLLATE NOCASE", :page_id, :position) : tasks.by_due
    @pagy, @tasks = pagy(tasks, limit: 50)
  end
end
