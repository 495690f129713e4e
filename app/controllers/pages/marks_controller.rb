# Where a page differs from an edition that somebody read before, to be marked in its text.
class Pages::MarksController < ApplicationController
  include OnPage

  door :seen

  def show
    raise ActiveRecord::RecordNotFound unless @page.published?

    comparison = StateComparison.new(@page, viewer, from: params[:from].to_s, to: @page.edition.number.to_s)
    marks = Zuhause::Changes::Marks.of(comparison.changes)
    render json: { marks: marks.first(SinceSeen::MOST).map(&:to_h), all: marks.size }
  end
end
