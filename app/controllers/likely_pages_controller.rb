# Pages that may already answer what is about to be begun, while its title is typed.
class LikelyPagesController < ApplicationController
  door :somebody

  def index
    @likely = LikelyPages.new(params[:q], viewer).list
    @choose = params[:choose].present?
    render layout: false
  end
end
