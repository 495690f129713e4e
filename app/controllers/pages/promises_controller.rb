# Following a link to a page that is not written yet.
class Pages::PromisesController < ApplicationController
  include OnPage

  door :seen, only: :new, signed_out: true
  door :add_subpage, only: :create
  before_action :find_promise

  def new
    @new_page = Page.new(title: @title)
  end

  def create
    @new_page = acting_on(@page, :add_page?) do
      Page.begin(title: fields(:page)[:title], above: @page, by: viewer.person).tap { |page| Promise.keep(page, title: @title) if page.persisted? }
    end
    return redirect_to(edit_page_draft_path(@new_page), status: :see_other) if @new_page.persisted?

    render :new, status: :unprocessable_entity
  end

  private

  # Only what the page really promises, in what the viewer sees of it; if it has been written meanwhile, that page.
  def find_promise
    @title = Zuhause::Document::Title.clean(params[:title])
    key = Zuhause::Links::Promised.key(@title, @page.language)
    stages = viewer.sight_of(@page) == :draft ? %w[draft edition] : %w[edition]
    raise ActiveRecord::RecordNotFound unless @page.links.where(stage: stages).to(:promise, key).exists?

    written = Promise.kept(key, viewer: viewer, room: @room)
    redirect_to written, status: :see_other if written
  end
end
