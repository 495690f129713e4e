# All that points to a page, or to one section of it.
class Pages::LinkedFromController < ApplicationController
  include OnPage

  PER_PAGE = 50

  door :seen, signed_out: true

  def show
    whole = LinkedFrom.new(@page, viewer)
    @sections = SectionsLedTo.new(@page, viewer).of_shown
    @section = @sections.find { |section| section.block_id == params[:section] }
    pointing = @section ? LinkedFrom.new(@page, viewer, block: @section.block_id) : whole
    @pagy = Pagy.new(count: pointing.count_of_all, page: pagy_get_page({}), limit: PER_PAGE)
    @links = pointing.by_room(limit: PER_PAGE, offset: @pagy.offset)
    @set = pointing.set
  end
end
