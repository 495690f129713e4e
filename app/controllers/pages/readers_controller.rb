# Who has read a page, and when last: for who keeps it, as far as the house tells it.
class Pages::ReadersController < ApplicationController
  include OnPage

  LATELY = 30.days

  door :see_readers
  before_action { raise ActiveRecord::RecordNotFound unless house.tells_readers? }

  def index
    readings = Reading.where(page: @page)
    @lately = readings.where(read_at: LATELY.ago..).count
    @pagy, @readings = pagy(readings.includes(:person).order(read_at: :desc), limit: 50)
    @newest = EditionReading.where(edition: @page.edition_id, person: @readings.map(&:person_id)).pluck(:person_id).to_set
  end
end
