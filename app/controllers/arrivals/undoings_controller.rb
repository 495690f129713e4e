# Takes back all that was made of what was brought in, into the bin.
class Arrivals::UndoingsController < ApplicationController
  include OnArrival

  def create
    raise ActiveRecord::RecordNotFound unless @arrival.undoable?

    pages = @arrival.undo(by: viewer.person)
    raise Pundit::NotAuthorizedError if pages.zero?

    redirect_to arrival_path(@arrival), status: :see_other, notice: t(".done", count: pages)
  end
end
