# What several people sought and did not find.
class Desks::SoughtController < ApplicationController
  door :terms, of: House

  def index
    @pagy = paged(Sought.count_of_told, limit: 20)
    @sought = Sought.told(limit: @pagy.limit, offset: @pagy.offset)
  end

  # Seen to.
  def destroy
    told = Sought.told_of(params[:id]) or raise ActiveRecord::RecordNotFound
    Sought.forget(told.wording)
    redirect_to desk_sought_index_path, status: :see_other, notice: t(".done", wording: told.wording)
  end
end
