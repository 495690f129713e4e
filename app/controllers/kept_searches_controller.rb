# Searches that one keeps.
class KeptSearchesController < ApplicationController
  door :somebody

  def create
    search = Search.new(params[:q], viewer, filters: SearchFilters.new(params.permit(*SearchFilters::NAMES), viewer))
    kept = KeptSearch.keep(search, viewer)
    told = kept.persisted? ? { notice: t(".done") } : { alert: kept.errors.full_messages.to_sentence }
    redirect_to find_path(q: search.text, **search.filters.to_params), status: :see_other, **told
  end

  def destroy
    kept = viewer.person.kept_searches.find_by!(public_id: params[:id])
    kept.destroy!
    redirect_to find_path, status: :see_other, notice: t(".done")
  end
end
