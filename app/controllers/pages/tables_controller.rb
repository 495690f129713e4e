# A table of what one sees of a page, as CSV.
class Pages::TablesController < ApplicationController
  include OnPage

  door :seen, signed_out: true

  def show
    state = @page.edition || @page.draft
    table = Zuhause::Document::Walk.blocks(state.document).find { |block| block["type"] == "table" && block.dig("attrs", "id") == params[:id] } or raise ActiveRecord::RecordNotFound
    send_data "\uFEFF#{Zuhause::Markup::Grid.write(table, inert: true)}", filename: "#{state.title.parameterize.presence || "table"}.csv", type: "text/csv"
  end
end
