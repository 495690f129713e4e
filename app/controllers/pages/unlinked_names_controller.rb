# Where a page is named without a link, and linking it there.
class Pages::UnlinkedNamesController < ApplicationController
  include OnPage

  TEXTS = 20

  door :seen
  before_action { raise ActiveRecord::RecordNotFound unless @page.published? }

  def index
    list
  end

  def create
    rows = names.chosen(@page, Array(params[:rows]))
    return redirect_to(page_unlinked_names_path(@page), status: :see_other, alert: t(".none")) if rows.empty?

    done = NameLinking.link(@page, rows, by: viewer.person)
    said = [ (t(".done", count: done.pages.size) if done.pages.any?), (t(".left", count: done.left) if done.left.positive?) ].compact.join(" ")
    redirect_to page_unlinked_names_path(@page), status: :see_other, (done.pages.any? ? :notice : :alert) => said
  end

  private

  def names
    @names ||= UnlinkedNames.new(viewer)
  end

  def list
    @pagy = paged(names.count_of(@page), limit: TEXTS)
    @places = names.places_of(@page, limit: @pagy.limit, offset: @pagy.offset)
    @writable = Page.writable_by(viewer).where(id: @places.map { |place| place.page.id }).ids.to_set
  end
end
