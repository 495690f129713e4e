# Controllers of something that belongs to a page the viewer sees.
module OnPage
  extend ActiveSupport::Concern

  included do
    before_action :find_page
  end

  private

  def find_page
    @page = Page.seen_by(viewer).at_address(params[:page_id])
    @room = @page.room
  end
end
