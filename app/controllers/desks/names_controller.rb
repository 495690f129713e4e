# Pages that are named in texts without a link.
class Desks::NamesController < ApplicationController
  door :somebody

  def index
    names = UnlinkedNames.new(viewer)
    @pagy = paged(names.count)
    @named = names.named(limit: @pagy.limit, offset: @pagy.offset)
  end
end
