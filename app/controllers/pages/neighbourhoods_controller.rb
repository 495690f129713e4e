# The drawn map of what a page links to and is linked from.
class Pages::NeighbourhoodsController < ApplicationController
  include OnPage

  door :seen, signed_out: true

  def show
    raise ActiveRecord::RecordNotFound unless @page.published?

    @steps = params[:steps].to_s.to_i.clamp(1, 3)
    @drawn = DrawnLinks.around(@page, viewer, steps: @steps)
    @pagy = paged(@drawn.list.size)
  end
end
