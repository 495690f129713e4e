# Whether a page is still true: by when that is to be said, who has said it, what makes one doubt it; and saying it.
class Pages::ChecksController < ApplicationController
  include OnPage, WorksThrough

  door :somebody, only: :index
  door :check, except: :index

  def index
    raise ActiveRecord::RecordNotFound unless @page.published?

    show_checks
  end

  def create
    @check = acting_on(@page, :check?) { Check.say(@page, by: viewer.person, note: fields(:check)[:note].to_s) }
    return show_checks(status: :unprocessable_entity) if @check.errors.any?

    undo page_check_path(@page, @check), method: :delete, **{ back: url_from(params[:back]) }.compact
    worked_on(t(".done"), taken_back_by: page_check_path(@page, @check))
  end

  def destroy
    check = @page.checks.find(params[:id])
    acting_on(@page, :check?) { check.newest? ? check.take_back(by: viewer.person) : raise(ActiveRecord::RecordNotFound) }
    worked_on(t(".done"))
  end

  private

  def show_checks(status: :ok)
    @check ||= Check.new
    @standing = CheckStanding.new(@page, viewer)
    render :index, status: status
  end
end
