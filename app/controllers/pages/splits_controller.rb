# Making a heading with all that stands under it a page of its own.
class Pages::SplitsController < ApplicationController
  include OnPage

  door :add_subpage

  def new
    @problem = :waiting if @page.edition.nil? || @page.unpublished_changes?
    @headings = @problem ? [] : PageSplitting.headings(@page)
    @led_to = LinkedFrom.new(@page, viewer).by_block
  end

  def create
    fresh = acting_on(@page, :add_page?) { PageSplitting.new(@page, params[:heading].to_s, instead: params[:instead].to_s).split(by: viewer.person) }
    redirect_to fresh, status: :see_other, notice: t(".done", title: fresh.title)
  rescue Page::Reviewed::Unreviewed
    new
    @problem = :reviewed
    render :new, status: :unprocessable_entity
  rescue PageJoining::Waiting, Zuhause::Restructuring::Impossible
    new
    @problem ||= :heading
    render :new, status: :unprocessable_entity
  end
end
