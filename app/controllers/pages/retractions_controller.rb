# Taking an edition back from its readers.
class Pages::RetractionsController < ApplicationController
  include OnPage

  door :retract
  before_action { @edition = @page.editions.standing.find_by!(number: params[:edition_id]) }

  def new
    @retraction = Retraction.new
    @before = @page.editions.standing.where(number: ...@edition.number).newest_first.first
    @readers = EditionReading.where(edition: @edition).where.not(person: viewer.person).count
  end

  def create
    @retraction = acting_on(@page, :retract?) { @page.retract(@edition, reason: fields(:retraction)[:reason].to_s, by: viewer.person) }
    return redirect_to(Viewer.new(viewer.person).sees?(@page.reload) ? page_editions_path(@page) : @room, status: :see_other, notice: t(".done", number: @edition.number)) if @retraction.persisted?

    @before = @page.editions.standing.where(number: ...@edition.number).newest_first.first
    @readers = EditionReading.where(edition: @edition).where.not(person: viewer.person).count
    render :new, status: :unprocessable_entity
  end
end
