# Controllers of something that belongs to a page the viewer sees.
module OnPage
  extend ActiveSupport::Concern

  include TellsProblems

  included do
    before_action :find_page
  end

  private

  # A page in the bin, for who may write it.
  def find_binned_page
    @page = Page.in_bin_of(viewer).at_address(params[:page_id])
    @room = @page.room
  end

  def find_page
    @page = Page.seen_by(viewer).at_address(params[:page_id])
    @room = @page.room
  end
end
