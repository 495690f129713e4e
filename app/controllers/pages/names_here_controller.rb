# Names that stand in a draft without a link, for whoever writes it.
class Pages::NamesHereController < ApplicationController
  include OnPage

  door :edit

  def index
    render json: { version: @page.draft.version, names: NamesHere.new(@page, viewer).list }
  end
end
