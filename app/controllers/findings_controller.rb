class FindingsController < ApplicationController
  door :anybody

  def index
    @search = Search.new(params[:q], viewer, filters: SearchFilters.new(params.permit(:room, :tag, :author, :time), viewer))
    @pagy = Pagy.new(count: @search.count, page: pagy_get_page({}).clamp(1, 1000), limit: Search::PER_PAGE)
    @results = @search.results(offset: @pagy.offset)
  end
end
