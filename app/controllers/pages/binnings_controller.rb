# Putting a page in the bin, with all below it, and back.
class Pages::BinningsController < ApplicationController
  include OnPage, LooksFirst

  skip_before_action :find_page, only: :destroy
  before_action :find_binned_page, only: :destroy
  door :bin, only: %i[new create]
  door :seen, only: :destroy

  def new
    @linked_from = LinkedFrom.new(@page, viewer)
  end

  def create
    acting_on(@page, :bin?) { @page.put_in_bin(by: viewer.person) }
    undo page_binning_path(@page), method: :delete
    redirect_to @page.above.then { |above| viewer.signed_in? && above.is_a?(Page) && viewer.sees?(above) ? above : @room }, status: :see_other, notice: t(".done")
  end

  # What comes back is the page that was put there, with all that went along: that is what is asked about and moved.
  def destroy
    tree = @page.bin_root
    authorize tree, :put_back?
    to = Places.new(viewer).find(params[:above]) if params[:above]
    raise Pundit::NotAuthorizedError if to && !policy(tree).move?(to)

    exposure = tree.exposure_of_putting_back(to) if to && to != tree.above
    besides = exposure ? helpers.review_sentences([ tree ], to) : []
    return unless looked_at?(exposure, { act: :put_back, place: tree, to: to }, back: room_bin_path(@room), besides: besides)

    put_back(tree, to, exposure)
    redirect_to Viewer.new(viewer.person).sees?(@page.reload) ? @page : root_path, status: :see_other, notice: t(".done")
  rescue Page::Binnable::NoPlace
    redirect_to room_bin_path(@room), status: :see_other, alert: t(".where")
  end

  private

  def put_back(tree, to, exposure)
    acting_on(tree, ->(policy) { policy.put_back? && (to.nil? || policy.move?(to)) }) do
      tree.put_back_from_bin(to: to, by: viewer.person, exposure: exposure)
    end
  end
end
