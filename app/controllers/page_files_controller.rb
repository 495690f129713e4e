# Files that pages show, for who may see them there, at every address, smaller versions too.
class PageFilesController < ApplicationController
  door :seen, signed_out: true

  def show
    @file = PageFile.includes(:page, content_attachment: :blob).find_by!(public_id: params[:id])
    raise ActiveRecord::RecordNotFound unless @file.open_to?(viewer)

    return sheet if params[:sheet]

    version = @file.version(params[:w]&.to_i)
    deliver version, type: @file.content.content_type, filename: @file.name, disposition: @file.shown? && !params[:take] ? "inline" : "attachment"
  end

  private

  def sheet
    picture = @file.sheet(params[:sheet].to_i) or raise ActiveRecord::RecordNotFound
    deliver picture, type: picture.content_type, disposition: "inline"
  end

  # Asked for anew each time, so that nothing opens from a browser's store once it is closed to somebody; what has not
  # changed is not sent again.
  def deliver(file, **how)
    response.headers["Content-Security-Policy"] = "default-src 'none'; style-src 'unsafe-inline'; sandbox"
    response.cache_control.merge!(no_cache: true, extras: [ "private" ])
    send_data file.download, **how if stale?(etag: [ @file.content.blob.checksum, params[:w], params[:sheet] ], public: false)
  end
end
