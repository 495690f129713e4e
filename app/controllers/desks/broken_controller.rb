# Links inside the house that lead nowhere.
class Desks::BrokenController < ApplicationController
  door :somebody

  def index
    broken = BrokenLinks.new(viewer)
    @pagy = paged(broken.count, limit: 20)
    @targets = broken.targets(limit: @pagy.limit, offset: @pagy.offset)
    @places = BrokenLinks::Places.new(@targets, viewer)
    @candidates = Candidates.new(@targets, viewer)
  end
end
