class FindingsController < ApplicationController
  door :anybody

  PEOPLE = 3

  def index
    typed = SearchFilters.typed(params[:q], viewer) if Zuhause::Finding::Typed.any?(params[:q])
    return redirect_to(find_path(q: typed.text, **given.to_h.symbolize_keys, **typed.filters)) if typed&.filters&.any?

    @search = Search.new(params[:q], viewer, filters: SearchFilters.new(given, viewer))
    @pagy = Pagy.new(count: @search.count, page: pagy_get_page({}).clamp(1, 1000), limit: Search::PER_PAGE)
    @results = @search.results(offset: @pagy.offset)
    @answer = @search.answer if @pagy.page == 1
    @outdated = OutOfDateMark.of([ *@results, @answer&.result ].compact.map(&:page))
    @people = Colleagues.new(viewer, text: params[:q]).found(limit: PEOPLE) if @pagy.page == 1 && !@search.filters.any?
    @search.blank? ? list_kept : look_again
  end

  private

  # What one keeps, each with what is new in it.
  def list_kept
    @kept_searches = viewer.signed_in? ? viewer.person.kept_searches.in_order.to_h { |kept| [ kept, kept.news(viewer) ] } : {}
  end

  # What has been published since one looked at a search that one keeps is told, and what was sought is kept in mind.
  def look_again
    @kept = KeptSearch.of(@search, viewer)
    return unless @pagy.page == 1

    @since = @kept&.look
    Apart.do { Sought.note(@search, viewer) }
  end

  def given
    params.permit(*SearchFilters::NAMES)
  end
end
