# Works that pages cite.
class SourcesController < ApplicationController
  door :somebody

  MOST = 8

  before_action :find_source, only: %i[edit update destroy]

  def index
    found = Source.open_to(viewer).matching(params[:q]).by_title
    respond_to do |format|
      format.json { render json: found.limit(MOST).map { |source| json(source) } }
      format.html do
        @pagy, @sources = pagy(found, limit: 50)
        @pages = Reference.from_editions.to(:source, @sources.map(&:public_id)).where(page: Page.read_by(viewer)).group(:target_id).distinct.count(:page_id)
      end
    end
  end

  # From the workbench: answers with the one that is there already, if there is.
  def create
    source = Source.enter(source_params, by: viewer.person)
    return render(json: { errors: source.errors.to_hash(true) }, status: :unprocessable_entity) if source.errors.any?

    render json: json(source).merge(known: !source.previously_new_record?), status: :created
  end

  def edit
    @cited_on = LinkedFrom.new(@source, viewer)
  end

  def update
    return redirect_to(sources_path, status: :see_other, notice: t(".done")) if @source.update(source_params)

    edit
    render :edit, status: :unprocessable_entity
  end

  def destroy
    return redirect_to(edit_source_path(@source), status: :see_other, alert: t(".cited")) if @source.citations.exists?

    @source.destroy!
    redirect_to sources_path, status: :see_other, notice: t(".done", title: @source.title)
  end

  private

  def find_source
    @source = Source.open_to(viewer).find_by!(public_id: params[:id])
    raise Pundit::NotAuthorizedError unless @source.open_for_change?(viewer)
  end

  def source_params
    fields(:source).permit(:title, :author, :publisher, :address, :date, :accessed_on)
  end

  def json(source)
    { id: source.public_id, title: source.title, note: [ source.author, source.date ].compact_blank.join(", ") }
  end
end
