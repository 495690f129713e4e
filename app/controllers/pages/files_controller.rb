# The files of a page, with where each is used; and putting one into it.
class Pages::FilesController < ApplicationController
  include OnPage

  door :seen, only: :index
  door :edit, only: :create

  def index
    open = @page.page_files.includes(:page, content_attachment: :blob).order(Arel.sql("name COLLATE NOCASE"), :id).select { |file| file.open_to?(viewer) }
    @pagy = paged(open.size)
    @files = open[@pagy.offset, @pagy.limit]
    @uses = FileUses.new(@files, viewer)
  end

  def create
    file = PageFile.take(params[:file], page: @page, by: viewer.person)
    render json: { id: file.public_id, kind: file.kind, name: file.name }, status: :created
  rescue FileFit::Unfit => e
    render json: { error: t(".#{e.message}", limit: FileFit::LARGEST / 1.megabyte) }, status: :unprocessable_entity
  end
end
