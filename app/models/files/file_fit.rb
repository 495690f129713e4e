# What an upload turned out to be: its bytes, made safe, their type and kind, and the size of a picture.
class FileFit
  # +message+ says why: "missing", "too_large", "wrong_type", "too_many_pixels" or "broken".
  class Unfit < StandardError; end

  LARGEST = 25.megabytes
  MOST_PIXELS = 100_000_000
  MOST_INTERLACED = 25_000_000 # such pictures lie in memory as a whole while they are read
  # What is taken, by what the content is, whatever its name says. Office documents are zip files, and told by their names.
  KINDS = {
    "image/png" => "picture", "image/jpeg" => "picture", "image/gif" => "picture", "image/webp" => "picture", "image/svg+xml" => "drawing", "application/pdf" => "pdf",
    "video/mp4" => "video", "video/webm" => "video", "audio/mpeg" => "audio", "audio/ogg" => "audio", "audio/x-wav" => "audio", "text/csv" => "other", "text/plain" => "other", "text/markdown" => "other",
    "application/vnd.oasis.opendocument.text" => "other", "application/vnd.oasis.opendocument.spreadsheet" => "other", "application/vnd.oasis.opendocument.presentation" => "other",
    "application/vnd.openxmlformats-officedocument.wordprocessingml.document" => "other", "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet" => "other",
    "application/vnd.openxmlformats-officedocument.presentationml.presentation" => "other", "text/calendar" => "other", "message/rfc822" => "other", "application/zip" => "other"
  }.freeze

  attr_reader :bytes, :type, :kind, :width, :height

  # @param upload [#read, #size, #original_filename]
  # @return [FileFit]
  # @raise [Unfit]
  def self.of(upload)
    raise Unfit, "missing" unless upload.respond_to?(:read) && upload.size.positive?
    raise Unfit, "too_large" if upload.size > LARGEST

    bytes = upload.read
    type = Marcel::MimeType.for(StringIO.new(bytes), name: upload.original_filename)
    kind = KINDS[type] or raise Unfit, "wrong_type"
    bytes = SafeDrawing.of(bytes) if kind == "drawing"
    new(bytes, type, kind).tap { |fit| fit.measure if kind == "picture" }
  end

  def initialize(bytes, type, kind)
    @bytes, @type, @kind = bytes, type, kind
  end

  # Only the head is read at first: what is too large to be opened is never opened.
  def measure
    head = Vips::Image.new_from_buffer(bytes, "", access: :sequential)
    most = head.get_typeof("interlaced").zero? ? MOST_PIXELS : MOST_INTERLACED
    raise Unfit, "too_many_pixels" if head.width * head.height > most

    @width, @height = head.width, head.height
    Vips::Image.new_from_buffer(bytes, "", access: :sequential, fail_on: :truncated).avg # it must be possible to read it to its end
  rescue Vips::Error
    raise Unfit, "broken"
  end
end
