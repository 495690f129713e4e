# Pages that are named in texts without a link.
class Desks::NamesController < ApplicationController
  include OnDesk
  self.told_at_first = "house"

  door :somebody

  def index
    names = UnlinkedNames.new(viewer, within: desk.scope.pages)
    @pagy = paged(names.count)
    @named = names.named(limit: @pagy.limit, offset: @pagy.offset)
  end
end
