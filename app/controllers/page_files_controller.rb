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

  rescue_from SheetPictures::Busy do
    response.headers["Retry-After"] = SheetPictures::SECONDS.to_s
    head :service_unavailable
  end

  private

  def sheet
    picture = @file.sheet(params[:sheet].to_i) or raise ActiveRecord::RecordNotFound
    deliver picture, type: picture.content_type, disposition: "inline"
  end

  # Asked for anew each time, so that nothing opens from a browser's store once it is closed to somebody; what has not
  # changed is not sent again. Sent from the disk piece by piece, and only as much of it as is asked for.
  def deliver(blob, type:, disposition:, filename: nil)
    response.headers["Content-Security-Policy"] = "default-src 'none'; style-src 'unsafe-inline'; sandbox"
    response.cache_control.merge!(no_cache: true, extras: [ "private" ])
    return unless stale?(etag: [ @file.content.blob.checksum, params[:w], params[:sheet] ], public: false)

    status, headers, body = Rack::Files.new(nil).serving(Rack::Request.new(request.env), blob.service.path_for(blob.key))
    headers.slice("content-length", "content-range").each { |name, value| response.headers[name] = value }
    response.headers.merge!("accept-ranges" => "bytes", "content-type" => type, "content-disposition" => ActionDispatch::Http::ContentDisposition.format(disposition: disposition, filename: filename || blob.filename.to_s))
    self.status, self.response_body = status, body
  end
end
