class Pages::DraftsController < ApplicationController
  include OnPage

  door :edit

  def edit
    @draft = @page.draft
    @facts = PageFacts.new(@page, viewer)
    @names = EditorNames.new(@draft.document, @page, viewer)
    @writers = PageWriter.others(@page, by: viewer.person)
  end

  def update
    state = State.new(title: params[:title].to_s, document: request.request_parameters["document"])
    draft = @page.save_draft(state, base_version: params.require(:base_version).to_i, save_id: params[:save_id].to_s, by: viewer.person)
    return render(json: { errors: draft.errors.to_hash }, status: :unprocessable_entity) unless draft.persisted?
    return render(json: refusal(draft), status: :conflict) if draft.refused?

    render json: { version: draft.version, new_ids: draft.new_ids, ticked: @page.ticked }
  rescue Zuhause::Document::Invalid => e
    render json: { errors: { document: problems_of(e) } }, status: :unprocessable_entity
  end

  private

  # Both texts: the newer one, what differs between them by word, and one in which both stand.
  def refusal(refused)
    newest = Page.find(@page.id).draft
    comparison = StateComparison.between(@page, viewer, newest, refused)
    { version: newest.version, title: newest.title, document: newest.document, author: newest.author.name, kept: refused.id,
      both: Zuhause::Changes::Union.of(newest.document, refused.document),
      html: comparison.to_html(label: ->(entry) { helpers.conflict_label(entry, newest.author) }).join }
  end
end
