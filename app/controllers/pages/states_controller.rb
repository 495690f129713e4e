# Earlier states of the draft, for who may write it.
class Pages::StatesController < ApplicationController
  include OnPage

  door :edit

  def index
    @pagy, @states = pagy(@page.states.includes(:author), limit: 50)
  end

  def show
    @state = @page.states.find(params[:id])
    @shown = ShownDocument.new(@state, page: @page, viewer: viewer)
  end

  # Takes it back: it becomes the draft's newest version.
  def update
    @page.take_back(@page.states.find(params[:id]), by: viewer.person)
    redirect_to edit_page_draft_path(@page), status: :see_other, notice: t(".done")
  end
end
