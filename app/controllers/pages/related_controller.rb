# Pages that belong to a page.
class Pages::RelatedController < ApplicationController
  include OnPage

  door :seen, signed_out: true

  def show
    @related = RelatedPages.new(@page, viewer).list
    render layout: false
  end
end
