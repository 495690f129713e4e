class Pages::DraftsController < ApplicationController
  include OnPage
  include TellsDraft

  door :edit

  # The newest text, for whoever has an older one open.
  def show
    render json: as_text(@page.draft, since: params[:since].to_i)
  end

  def edit
    @draft = @page.draft
    @facts = PageFacts.new(@page, viewer)
    @names = EditorNames.new(@draft.document, @page, viewer)
    @notes = NotesBeside.new(@page, viewer, stage: "draft")
    @writers = PageWriter.others(@page, by: viewer.person)
  end

  def update
    state = State.new(title: params[:title].to_s, document: request.request_parameters["document"])
    draft = @page.save_draft(state, base_version: params.require(:base_version).to_i, base: request.request_parameters["base"], save_id: params[:save_id].to_s, by: viewer.person)
    return render(json: { errors: draft.errors.to_hash }, status: :unprocessable_entity) unless draft.persisted?

    render json: { version: draft.version, new_ids: draft.new_ids, ticked: @page.ticked, **joined(draft) }
  rescue Zuhause::Document::Invalid => e
    render json: { errors: { document: problems_of(e) } }, status: :unprocessable_entity
  end

  private

  # The text that came of it, where others had saved meanwhile.
  def joined(draft)
    return disputes if draft.version == params[:base_version].to_i + 1 && !request.request_parameters.key?("base")

    as_text(draft, since: params[:base_version].to_i)
  end
end
