# Files that pages show, for who may see them there, at every address, smaller versions too.
class PageFilesController < ApplicationController
  skip_before_action :sign_in_first

  def show
    @file = PageFile.includes(:page, content_attachment: :blob).find_by!(public_id: params[:id])
    raise ActiveRecord::RecordNotFound unless @file.open_to?(viewer)

    return sheet if params[:sheet]

    version = @file.version(params[:w]&.to_i)
    response.headers["Content-Security-Policy"] = "default-src 'none'; style-src 'unsafe-inline'; sandbox"
    expires_in 1.hour, public: false
    send_data version.download, type: @file.content.content_type, filename: @file.name, disposition: @file.shown? && !params[:take] ? "inline" : "attachment"
  end

  private

  def sheet
    picture = @file.sheet(params[:sheet].to_i) or raise ActiveRecord::RecordNotFound
    expires_in 1.hour, public: false
    send_data picture.download, type: picture.content_type, disposition: "inline"
  end
end
