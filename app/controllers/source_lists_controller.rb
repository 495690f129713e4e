# All sources in one file, out and in: BibTeX or CSL JSON.
class SourceListsController < ApplicationController
  door :somebody

  FORMS = { "bibtex" => [ :bibtex, "sources.bib", "application/x-bibtex" ], "csl" => [ :csl, "sources.json", "application/vnd.citationstyles.csl+json" ] }.freeze

  def show
    write, name, type = FORMS.fetch(params[:form]) { raise ActiveRecord::RecordNotFound }
    works = Source.open_to(viewer).by_title.map(&:to_work)
    send_data Zuhause::Exchange::Bibliography.public_send(write, works), filename: name, type: type
  end

  def create
    file = params[:file]
    text = file.respond_to?(:read) && file.size <= Zuhause::Exchange::Bibliography::LARGEST ? file.read : ""
    fresh, known, wrong = Source.take_in(SourceList.read(text), by: viewer.person)
    notice = [ t(".done", count: fresh), (t(".known", count: known) if known.positive?), (t(".wrong", titles: wrong.first(5).to_sentence) if wrong.any?) ].compact.join(" ")
    redirect_to sources_path, status: :see_other, notice: notice
  rescue Zuhause::Exchange::Bibliography::Unreadable
    redirect_to sources_path, status: :see_other, alert: t(".unreadable")
  end
end
