# Controllers of what is said to a page or in a room. What is done beside a text that is open is answered with all that stands
# beside it then; else one goes back to where it stands.
module Talks
  extend ActiveSupport::Concern

  private

  # @param remark [Remark, nil] that is told in full
  # @param said [String, nil] what was done
  # @param problem [String, nil] why it was not
  # @param undo [String, nil] the address whose deletion takes it back
  def answer(remark, said: nil, problem: nil, undo: nil)
    return render(json: { said: said, error: problem, undo: undo }.compact, status: problem ? :unprocessable_entity : :ok) if worked_through?
    return beside(remark, said: said, problem: problem) if beside?

    redirect_to back_to(remark), status: :see_other, notice: said, alert: problem
  end

  # Whether it is done from a list that is worked through, and goes on there.
  def worked_through?
    request.format.json? && params[:back].present?
  end

  def beside?
    params[:beside].present? && @page
  end

  # @param unsaid [Remark, nil] what was typed and could not be kept
  def beside(open, said: nil, problem: nil, unsaid: nil)
    open = open.first if open
    notes = NotesBeside.new(@page, viewer, stage: params[:beside], open: (open if open&.persisted? && !open.destroyed?))
    render partial: "remarks/beside", formats: :html, locals: { notes: notes, said: said, problem: problem, unsaid: unsaid }, status: problem ? :unprocessable_entity : :ok
  end

  def back_to(remark)
    url_from(params[:back]) || (remark&.persisted? && !remark.first.destroyed? ? remark_path(remark.first) : thread_or_page)
  end

  def thread_or_page
    @page ? page_path(@page) : room_thread_path(@room)
  end
end
