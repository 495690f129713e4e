# What stands in a section that was found, without leaving the list.
class Pages::PeeksController < ApplicationController
  include OnPage

  door :seen, signed_out: true

  MOST = 14 # passages

  def show
    @search = Search.new(params[:q], viewer)
    section = Section.find_by!(page: @page, position: params[:at].to_i)
    @passages = section.passages(@page.edition).first(MOST)
    render layout: false
  end
end
