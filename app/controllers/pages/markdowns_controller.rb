# The draft as Markdown: written in a plain field, or with line numbers and colours where scripts run.
class Pages::MarkdownsController < ApplicationController
  include OnPage

  door :edit

  def edit
    @draft = @page.draft
    @text = @page.to_markdown
    @reports = []
  end

  # What cannot be read as it is written, while it is being written.
  def create
    render json: said(read.reports)
  rescue Zuhause::Document::Invalid => e
    render json: problems_of(e).map { |words| { line: 1, words: words } }
  end

  def update
    document = Zuhause::Changes.carry_ids(written_from.document, read.doc)
    saved = @page.save_draft(State.new(title: params[:title].to_s, document: document), base_version: params[:base_version].to_i, by: viewer.person)
    return again(:unprocessable_entity, saved.errors.full_messages.to_sentence) unless saved.persisted?
    return redirect_to(edit_page_draft_path(@page), status: :see_other, notice: t(".done")) if read.reports.empty?

    flash.now[:notice] = t(".done_but", count: read.reports.size)
    again(:ok, nil)
  rescue Zuhause::Document::Invalid => e
    again(:unprocessable_entity, problems_of(e).to_sentence, [])
  end

  private

  # What stood in the field when it was opened.
  def written_from
    @page.drafts.find_by(version: params[:base_version].to_i) || @page.draft
  end

  def text
    params[:text].to_s
  end

  def read
    @read ||= Zuhause::Markup::MarkdownReader.read(PageAddresses.new(request.base_url, viewer).to_targets(text))
  end

  # The form as it was filled in; saving again builds on the newest text.
  def again(status, problem, reports = read.reports)
    @draft = @page.reload.draft
    @draft.title = params[:title]
    @text = text
    @problem = problem
    @reports = said(reports)
    render :edit, status: status
  end

  # Not by "t", which would escape what a key named "html" says.
  def said(reports)
    reports.map { |report| { line: report.line || 1, words: I18n.t("markup.reports.#{report.code}", detail: report.detail.truncate(60, omission: "…")) } }
  end
end
