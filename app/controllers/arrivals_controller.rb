# Bringing in files: chosen, read, looked at, and only then made pages or put into a draft.
class ArrivalsController < ApplicationController
  door :somebody
  before_action { @places = Places.new(viewer) }
  before_action { raise Pundit::NotAuthorizedError if @places.empty? }
  before_action :find_page
  before_action :find_arrival, only: %i[show update destroy]

  def new; end

  def create
    files = Array(params[:files]).select { |file| file.respond_to?(:original_filename) }
    @problem = problem(files)
    return render(:new, status: :unprocessable_entity) if @problem

    arrival = Arrival.receive(files, by: viewer.person, address: request.base_url, page: @page, above: params[:above].presence)
    redirect_to arrival_path(arrival, **origin), status: :see_other
  end

  # What is still being read is not there to be looked at.
  def show
    render :reading if @arrival.work&.open?
  end

  def update
    return into_draft if @page

    above = @places.find(params[:above])
    raise ActiveRecord::RecordNotFound unless above
    raise Pundit::NotAuthorizedError unless policy(above).add_page?

    pages = @arrival.make_pages(titles, above: above, by: viewer.person)
    redirect_to pages.one? ? edit_page_draft_path(pages.first) : above, status: :see_other, notice: t(".done", count: pages.size)
  rescue ActiveRecord::RecordInvalid => e
    @problem = e.record.errors.full_messages.to_sentence
    render :show, status: :unprocessable_entity
  rescue Zuhause::Document::Invalid
    @problem = t(".too_large")
    render :show, status: :unprocessable_entity
  end

  def destroy
    @arrival.destroy!
    redirect_to @page ? edit_page_draft_path(@page) : root_path, status: :see_other, notice: t(".done")
  end

  private

  def into_draft
    @arrival.put_into(@page, by: viewer.person, replace: params[:how] == "replace")
    redirect_to edit_page_draft_path(@page), status: :see_other, notice: t(".done_draft")
  end

  # The page whose draft it is for, if it is for one.
  def find_page
    return unless params[:page]

    @page = Page.seen_by(viewer).find_by!(public_id: params[:page].to_s)
    raise Pundit::NotAuthorizedError unless policy(@page).edit?
  end

  def find_arrival
    @arrival = Arrival.where(person: viewer.person).find_by!(public_id: params[:id])
  end

  def origin
    { page: @page&.public_id, above: params[:above].presence }.compact
  end
  helper_method :origin

  def problem(files)
    return t(".none") if files.empty?
    return t(".too_many", files: Arrival::MOST_FILES) if files.size > Arrival::MOST_FILES

    t(".too_large", limit: Arrival::LARGEST / 1.megabyte) if files.sum(&:size) > Arrival::LARGEST
  end

  def titles
    chosen = Array(params[:texts])
    params.fetch(:titles, {}).permit!.to_h.slice(*chosen).transform_values(&:to_s)
  end
end
