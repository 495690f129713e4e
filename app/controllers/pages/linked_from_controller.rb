# All pages that point to a page, and those that show it.
class Pages::LinkedFromController < ApplicationController
  include OnPage

  PER_PAGE = 50

  door :seen, signed_out: true

  def show
    pointing = LinkedFrom.new(@page, viewer)
    @pagy = Pagy.new(count: [ pointing.count, pointing.count_of_shown_on ].max, page: pagy_get_page({}), limit: PER_PAGE)
    @links = pointing.links(limit: PER_PAGE, offset: @pagy.offset)
    @shown_on = pointing.shown_on(limit: PER_PAGE, offset: @pagy.offset)
  end
end
