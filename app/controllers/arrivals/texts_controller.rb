# The pages that what was brought in would become: their tree, each as it would be read, and what is changed about them beforehand.
class Arrivals::TextsController < ApplicationController
  include OnArrival

  before_action :still_to_be_made
  before_action(only: %i[show update]) { @file = @arrival.files.places.light.find_by!(key: params[:id]) }

  # @return the tree, with the branches open that are asked for; or one branch
  def index
    @tree = ArrivalBranches.new(@arrival, open: Array(params[:open]).map(&:to_s))
    above = params[:above].presence && @arrival.files.places.light.find_by!(key: params[:above].to_s)
    render partial: "arrivals/branch", locals: { tree: @tree, files: @tree.below(above&.id) }
  end

  def show
    whole = ArrivedFile.find(@file.id)
    @document, @losses, = ArrivedLinks.new(@arrival, gone: @arrival.gone).follow(whole)
    @changes = @arrival.again&.changes(whole, @document)
    render layout: false
  end

  def update
    return render(json: {}) if @arrival.change(@file, change)

    render json: { error: @file.errors.full_messages.first || t(".no_place") }, status: :unprocessable_entity
  end

  private

  def change
    params.permit(:title, :left_out, :above, :before).to_h.symbolize_keys.transform_values(&:to_s)
  end
end
