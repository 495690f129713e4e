# The draft as somebody of a chosen level would read it, were it published now.
class Pages::PreviewsController < ApplicationController
  include OnPage

  door :edit

  LEVELS = %w[outside read comment write keep].freeze

  def show
    @level = LEVELS.include?(params[:as]) ? params[:as] : "read"
    @reader = PreviewReader.new(@page, @level, looker: viewer)
    @shown = ShownDocument.new(@page.draft, page: @page, viewer: @reader)
  end
end
