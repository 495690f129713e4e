# Links inside the house that lead nowhere.
class Desks::BrokenController < ApplicationController
  door :somebody

  PER_PAGE = 20

  def index
    broken = BrokenLinks.new(viewer)
    @pagy = Pagy.new(count: broken.count, page: pagy_get_page({}), limit: PER_PAGE)
    @targets = broken.targets(limit: PER_PAGE, offset: @pagy.offset)
    @places = BrokenLinks::Places.new(@targets, viewer)
    @candidates = Candidates.new(@targets, viewer)
  end
end
