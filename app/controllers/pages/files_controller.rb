# Putting a file into a page.
class Pages::FilesController < ApplicationController
  include OnPage

  door :edit

  def create
    file = PageFile.take(params[:file], page: @page, by: viewer.person)
    render json: { id: file.public_id, kind: file.kind, name: file.name }, status: :created
  rescue FileFit::Unfit => e
    render json: { error: t(".#{e.message}", limit: FileFit::LARGEST / 1.megabyte) }, status: :unprocessable_entity
  end
end
