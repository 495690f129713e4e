# What is set to be published later, of the pages that the viewer may write.
class TimedPublicationsController < ApplicationController
  door :somebody

  def index
    found = TimedPublication.where(page: Page.kept.giving(viewer, :write)).includes(:person, page: %i[room draft]).soonest_first
    @pagy, @timed = pagy(found, limit: 50)
  end
end
