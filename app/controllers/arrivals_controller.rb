# Bringing in files: chosen, read, looked at, and only then made pages or put into a draft.
class ArrivalsController < ApplicationController
  door :somebody
  before_action { @places = Places.new(viewer) }
  before_action { raise Pundit::NotAuthorizedError if @places.empty? }
  before_action :find_page
  before_action :find_arrival, only: %i[show update destroy]

  LATELY = 10
  COUNTED = 60 # texts

  def new
    @lately = @page ? [] : Arrival.standing.where(person: viewer.person).newest_first.includes(:work).limit(LATELY)
  end

  # Files of a form; or nothing yet, for what is sent in parts.
  def create
    return render(json: { sendings: arrival_sendings_path(begun = begin_sending), reading: arrival_reading_path(begun), arrival: arrival_path(begun) }, status: :created) if params[:parts].present?

    files = Array(params[:files]).select { |file| file.respond_to?(:original_filename) }
    @problem = problem(files)
    return render(:new, status: :unprocessable_entity) if @problem

    arrival = Arrival.receive(files, by: viewer.person, address: request.base_url, page: @page, above: params[:above].presence)
    redirect_to arrival_path(arrival, **origin), status: :see_other
  rescue Errno::ENOSPC
    @problem = t(".disk_full")
    render :new, status: :insufficient_storage
  end

  # What is still being read, or made, is not there to be looked at.
  def show
    return render(:sent) unless @arrival.work
    return render(:reading) if @arrival.work.open?
    return made if @arrival.made_at

    look
  end

  def update
    return into_draft if @page

    above = @places.find(params[:above])
    raise ActiveRecord::RecordNotFound unless above
    raise Pundit::NotAuthorizedError unless policy(above).add_page?
    return look_at(above) if params[:clashes].nil? && ArrivalClashes.new(@arrival, above).found.any?

    work = @arrival.move_in(above, by: viewer.person, publish: params[:publish] == "1", clashes: clashes)
    redirect_to outcome(work.reload), status: :see_other, notice: (t(".done", count: @arrival.pages.count) if work.state == "done")
  rescue Work::Impossible
    refuse(t(".nothing"))
  rescue Zuhause::Document::Invalid
    refuse(t(".too_large"))
  end

  def destroy
    raise ActiveRecord::RecordNotFound if @arrival.made_at || @arrival.work&.open?

    @arrival.drop
    redirect_to @page ? edit_page_draft_path(@page) : root_path, status: :see_other, notice: t(".done")
  end

  private

  # What is there already is decided on by whoever has been told of it.
  def clashes
    each = params[:clash] ? fields(:clash).to_unsafe_h.select { |_key, way| way.is_a?(String) } : {}
    { all: params[:clashes].to_s, each: each }
  end

  def look
    @tree = ArrivalBranches.new(@arrival)
    @losses = losses_at_once
    @file = @arrival.files.texts.find_by(problem: nil) if @page
    render :show, status: (:unprocessable_entity if @problem)
  end

  # Pages that are there already are shown before any are made.
  def look_at(place)
    @place, @chosen, @problem = place, {}, t("arrivals.place.first")
    look
  end

  def made
    @losses = losses_at_once
    render :made
  end

  # What could not be kept of many texts takes seconds to be counted.
  def losses_at_once
    @arrival.losses.counts if @arrival.files.texts.count <= COUNTED
  end

  def refuse(problem)
    @problem = problem
    look
  end

  # One page that is made is gone on with at once.
  def outcome(work)
    page = work.result if work.state == "done" && work.total == 1
    page && !page.published? ? edit_page_draft_path(page) : arrival_path(@arrival)
  end

  def begin_sending
    Arrival.create!(person: viewer.person, created_at: Time.current)
  end

  def into_draft
    @arrival.put_into(@page, by: viewer.person, replace: params[:how] == "replace")
    redirect_to edit_page_draft_path(@page), status: :see_other, notice: t(".done_draft")
  rescue Zuhause::Document::Invalid
    refuse(t(".too_large"))
  end

  # The page whose draft it is for, if it is for one.
  def find_page
    return unless params[:page]

    @page = Page.seen_by(viewer).find_by!(public_id: params[:page].to_s)
    raise Pundit::NotAuthorizedError unless policy(@page).edit?
  end

  def find_arrival
    @arrival = Arrival.standing.where(person: viewer.person).find_by!(public_id: params[:id])
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
end
