# The named parts of a page that can be shown elsewhere.
class Pages::PassagesController < ApplicationController
  include OnPage

  door :seen

  def index
    blocks = @page.edition ? Zuhause::Document::Walk.blocks(@page.edition.document) : []
    passages = blocks.select { |block| block["type"] == "passage" && block.dig("attrs", "name").present? }
    render json: passages.map { |block| { id: block.dig("attrs", "id"), name: block.dig("attrs", "name") } }
  end
end
