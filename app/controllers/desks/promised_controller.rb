# Titles that are linked to and not written yet.
class Desks::PromisedController < ApplicationController
  door :somebody

  PER_PAGE = 50

  def index
    promised = PromisedPages.new(viewer)
    @pagy = Pagy.new(count: promised.count, page: pagy_get_page({}), limit: PER_PAGE)
    @titles = promised.titles(limit: PER_PAGE, offset: @pagy.offset)
    @ambiguous = @pagy.page == 1 ? promised.ambiguous.group_by(&:title) : {}
  end

  # Where one is wanted, and what can be done about it.
  def show
    @wanted = PromisedPages.new(viewer).find(params[:id]) or raise ActiveRecord::RecordNotFound
    @target = Zuhause::Links::Target.promise(@wanted.wording)
    pointing = LinkedFrom.new(@target, viewer)
    @pagy = Pagy.new(count: pointing.count_of_all, page: pagy_get_page({}), limit: PER_PAGE)
    @links = pointing.by_room(limit: PER_PAGE, offset: @pagy.offset)
  end

  # Of several pages that a title could mean, one is chosen.
  def update
    promise = Promise.joins(:page).merge(Page.seen_by(viewer)).find(params[:id])
    authorize promise.page, :edit?
    promise.choose
    redirect_to desk_promised_index_path, status: :see_other, notice: t(".done", title: promise.page.title)
  end
end
