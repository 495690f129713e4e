# One list of the maintenance desk, to be worked through; as CSV too.
class Desks::ListsController < ApplicationController
  include OnDesk

  door :somebody

  def show
    @list = desk.list(Desk::LISTS.find { |name| name.to_s == params[:id] } || raise(ActiveRecord::RecordNotFound))
    respond_to do |format|
      format.html { list }
      format.csv { send_data DeskCsv.new(@list, viewer, view_context).to_s, filename: "#{@list.name}-#{House.today.iso8601}.csv", type: "text/csv" }
    end
  end

  private

  def list
    @pagy = paged(@list.count)
    @items = @list.items(limit: @pagy.limit, offset: @pagy.offset)
  end
end
