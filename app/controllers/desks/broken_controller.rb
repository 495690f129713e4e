# Links inside the house that lead nowhere.
class Desks::BrokenController < ApplicationController
  include OnDesk
  self.told_at_first = "house"

  door :somebody

  def index
    broken = BrokenLinks.new(viewer, within: desk.scope.pages)
    @pagy = paged(broken.count, limit: 20)
    @targets = broken.targets(limit: @pagy.limit, offset: @pagy.offset)
    @places = BrokenLinks::Places.new(@targets, viewer)
    @candidates = Candidates.new(@targets, viewer)
  end
end
