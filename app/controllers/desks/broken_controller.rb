# Links inside the house that lead nowhere.
class Desks::BrokenController < ApplicationController
  door :somebody

  PER_PAGE = 10 # each with its candidates

  def index
    broken = BrokenLinks.new(viewer)
    @pagy = Pagy.new(count: broken.count, page: pagy_get_page({}), limit: PER_PAGE)
    @targets = broken.targets(limit: PER_PAGE, offset: @pagy.offset)
  end
end
