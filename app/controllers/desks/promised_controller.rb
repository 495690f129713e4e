# Titles that are linked to and not written yet.
class Desks::PromisedController < ApplicationController
  include OnDesk
  self.told_at_first = "house"

  door :somebody

  def index
    promised = PromisedPages.new(viewer, within: desk.scope.pages)
    @pagy = paged(promised.count)
    @titles = promised.titles(limit: @pagy.limit, offset: @pagy.offset)
    @ambiguous = @pagy.page == 1 ? promised.ambiguous.group_by(&:title) : {}
  end

  # Where one is wanted, and what can be done about it.
  def show
    @wanted = PromisedPages.new(viewer).find(params[:id]) or raise ActiveRecord::RecordNotFound
    @target = Zuhause::Links::Target.promise(@wanted.wording)
    pointing = LinkedFrom.new(@target, viewer)
    @pagy = paged(pointing.count_of_all)
    @links = pointing.by_room(limit: @pagy.limit, offset: @pagy.offset)
  end

  # Of several pages that a title could mean, one is chosen.
  def update
    promise = Promise.joins(:page).merge(Page.seen_by(viewer)).find(params[:id])
    authorize promise.page, :edit?
    promise.choose
    redirect_to desk_promised_index_path, status: :see_other, notice: t(".done", title: promise.page.title)
  end
end
