# One list of the maintenance desk, to be worked through; as CSV too.
class Desks::ListsController < ApplicationController
  include OnDesk

  door :somebody

  def show
    name = Desk::GROUPS.values.flatten.find { |each| each.to_s == params[:id] } or raise ActiveRecord::RecordNotFound
    respond_to do |format|
      format.html { Desk::LISTS.include?(name) ? list(name) : redirect_to(helpers.desk_list_path_for(name, desk.scope)) }
      format.csv { send_data DeskCsv.new(desk, name, view_context).to_s, filename: "#{name}-#{House.today.iso8601}.csv", type: "text/csv" }
    end
  end

  private

  def list(name)
    @list = desk.list(name)
    @pagy = paged(@list.count)
    @items = @list.items(limit: @pagy.limit, offset: @pagy.offset)
  end
end
