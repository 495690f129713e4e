# Pages that nothing leads to, and putting a link to one where it belongs.
class Desks::LooseController < ApplicationController
  include OnDesk
  self.told_at_first = "house"

  door :somebody

  def index
    @list = LoosePages.new(viewer, of: params[:show], within: desk.scope.pages)
    @pagy = paged(@list.count)
    @loose = @list.list(limit: @pagy.limit, offset: @pagy.offset)
  end

  def create
    page = Page.read_by(viewer).find_by!(public_id: word(:page))
    on = Page.seen_by(viewer).find_by!(public_id: word(:on))
    authorize on, :edit?
    acting_on(on, :edit?) do
      blocks = [ *on.draft.document["content"], Zuhause::Links::Linking.line(page.title, "page:#{page.public_id}") ]
      on.save_draft(on.draft.state.with(document: on.draft.document.merge("content" => blocks)), base_version: on.draft.version, by: viewer.person)
    end
    redirect_to desk_loose_index_path(show: params[:show].presence, **desk.scope.to_params), status: :see_other, notice: t(".done", title: page.title, on: on.title)
  end
end
