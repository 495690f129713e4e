# Copying a page, with what is below it if so wished.
class Pages::CopiesController < ApplicationController
  include OnPage

  door :copy
  before_action { @places = Places.new(viewer) }

  def new
    raise Pundit::NotAuthorizedError if @places.empty?
  end

  def create
    to = @places.find(params[:above])
    raise ActiveRecord::RecordNotFound unless to
    raise Pundit::NotAuthorizedError unless policy(to).add_page?

    return by_work(to) if params[:below] == "1" && @page.copied_by(viewer, below: true).count > Page::Copyable::AT_ONCE

    copy = acting_on(to, :add_page?) { @page.copy(to: to, viewer: viewer, title: params[:title].to_s, below: params[:below] == "1", publish: params[:publish] == "1") }
    redirect_to copy, status: :see_other, notice: t(".done")
  rescue ActiveRecord::RecordInvalid => e
    @page.errors.copy!(e.record.errors)
    render :new, status: :unprocessable_entity
  end

  private

  def by_work(to)
    work = acting_on(to, :add_page?) { @page.copy_by_work(to: to, viewer: viewer, title: params[:title].to_s, publish: params[:publish] == "1") }
    work ? redirect_to(work_path(work), status: :see_other) : render(:new, status: :unprocessable_entity)
  end
end
