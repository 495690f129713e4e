# One file that is dropped into a draft, read as text: what it holds, and what of it could not be taken along. Nothing is
# written to the draft here: the writer's own text takes it in, and can give it back.
class Pages::TextsController < ApplicationController
  include OnPage

  TOLD = 200 # characters of what was lost

  door :edit

  def create
    upload = params[:file]
    return refuse(t("arrivals.problems.unreadable")) unless upload.respond_to?(:original_filename)
    return refuse(t("pages.files.create.too_large", limit: Arrival::LARGEST / 1.megabyte)) if upload.size > Arrival::LARGEST

    text, kept = read(upload)
    return refuse("#{text.name} #{t("arrivals.problems.#{text.problem}")}") if text.problem

    render json: { content: text.document["content"], files: keep(kept), file: as_file?(upload), lost: text.reports.map { |report| I18n.t("markup.reports.#{report["code"]}", detail: report["detail"].to_s.truncate(TOLD, omission: "…")) } }, status: :created
  end

  private

  # @return [Array(ArrivedText, Hash{String=>Upload})]
  def read(upload)
    text = Upload.new(upload.original_filename, path: upload.tempfile.path)
    ReadApart.new({ PubliclyIdentified.generate => text }, address: request.base_url, into_draft: true).each { |*read| return read }
  end

  # @return [Hash{String=>String}] names of the text's pictures, by their ids on this page
  def keep(pictures)
    files = pictures.map { |id, upload| PageFile.prepare(upload, by: viewer.person, public_id: id) }
    Page.transaction { files.each { |file| file.keep_on(@page) } }
    files.to_h { |file| [ file.public_id, file.name ] }
  end

  # Whether it could be kept as a file instead.
  def as_file?(upload)
    upload.rewind
    PageFile.takes?(upload.read, upload.original_filename)
  end

  def refuse(error)
    render json: { error: error }, status: :unprocessable_entity
  end
end
