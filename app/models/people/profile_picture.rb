# A person's picture, cut square and small.
class ProfilePicture
  # +message+ says why: "missing", "too_large" or "unreadable".
  class Unfit < StandardError; end

  LARGEST = 5.megabytes
  MOST_PIXELS = 50_000_000
  SIDE = 192 # pixels
  LOADERS = %w[jpegload_buffer pngload_buffer webpload_buffer].freeze

  # @param upload [ActionDispatch::Http::UploadedFile, nil]
  # @return [String] a PNG
  # @raise [Unfit]
  def self.small(upload)
    raise Unfit, "missing" unless upload.respond_to?(:read)
    raise Unfit, "too_large" if upload.size > LARGEST

    bytes = upload.read
    # Only the head is read here: what the file claims to be decides nothing.
    head = Vips::Image.new_from_buffer(bytes, "", access: :sequential)
    most = head.get_typeof("interlaced").zero? ? MOST_PIXELS : FileFit::MOST_INTERLACED
    raise Unfit, "unreadable" unless LOADERS.include?(head.get("vips-loader")) && head.width * head.height <= most

    Vips::Image.thumbnail_buffer(bytes, SIDE, height: SIDE, crop: :centre).write_to_buffer(".png", strip: true)
  rescue Vips::Error
    raise Unfit, "unreadable"
  end
end
