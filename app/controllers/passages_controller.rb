# All passages that one may read, with where each is shown; a new one is begun on a page, or as a page in a room.
class PassagesController < ApplicationController
  door :somebody

  OF = %w[all mine lately].freeze

  def index
    @of = params[:of].presence_in(OF) || "all"
    @list = PassageList.new(viewer, of: @of)
    @pagy, @passages = pagy(@list.passages, limit: 50)
    @shown = @list.shown(@passages)
    @writable = Page.writable_by(viewer).where(id: @passages.map(&:page_id)).ids.to_set
  end

  def new
    @places = Places.new(viewer)
  end

  def create
    @places = Places.new(viewer)
    @name = Zuhause::Document::Title.clean(word(:name))
    @place = @places.find(word(:above)) || (raise Pundit::NotAuthorizedError if word(:above).present?)
    wrong = Zuhause::Document::Title.problem(@name)
    @problem = t(wrong ? ".no_name" : ".no_place") if wrong || @place.nil?
    return render(:new, status: :unprocessable_entity) if @problem

    page = @place.is_a?(Page) ? add_to(@place) : begin_in(@place)
    redirect_to edit_page_draft_path(page), status: :see_other
  end

  private

  def begin_in(room)
    page = nil
    acting_on(room, :add_page?) do
      page = Page.begin(title: @name, above: room, by: viewer.person)
      save(page, [ Passage.empty(@name) ])
    end
    page
  end

  def add_to(page)
    acting_on(page, :edit?) { save(page, [ *page.draft.document["content"], Passage.empty(@name) ]) }
    page
  end

  def save(page, blocks)
    page.save_draft(page.draft.state.with(document: page.draft.document.merge("content" => blocks)), base_version: page.draft.version, by: viewer.person)
  end
end
