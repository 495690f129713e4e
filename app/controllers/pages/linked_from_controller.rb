# All that points to a page, or to one section of it.
class Pages::LinkedFromController < ApplicationController
  include OnPage

  door :seen, signed_out: true

  def show
    whole = LinkedFrom.new(@page, viewer)
    @sections = SectionsLedTo.new(@page, viewer).of_shown
    @section = @sections.find { |section| section.block_id == params[:section] }
    pointing = @section ? LinkedFrom.new(@page, viewer, block: @section.block_id) : whole
    @pagy = paged(pointing.count_of_all)
    @links = pointing.by_room(limit: @pagy.limit, offset: @pagy.offset)
    @set = pointing.set
  end
end
