require "open3"

# The pages of a PDF as pictures, drawn by Poppler, which runs as a program of its own with bounds on time and size.
class SheetPictures
  # So many are drawn already that others who ask for something would wait.
  class Busy < StandardError; end

  SECONDS = 10 # of the processor
  AT_ONCE = Concurrent::Semaphore.new(2) # in this process
  WAITED = 5 # seconds
  LARGEST = 60.megabytes
  WIDEST = 1400 # pixels

  # @param bytes [String] a PDF
  # @return [Integer, nil] how many pages it has; nil if it cannot be read
  def self.count(bytes)
    with_file(bytes) { |path| run("pdfinfo", path)&.force_encoding(Encoding::BINARY)&.[](/^Pages:\s+(\d+)/n, 1)&.to_i }
  end

  # @param number [Integer] from 1
  # @return [String, nil] a WebP picture
  # @raise [Busy]
  def self.draw(bytes, number)
    raise Busy unless AT_ONCE.try_acquire(1, WAITED)

    begin
      drawn(bytes, number)
    ensure
      AT_ONCE.release
    end
  end

  def self.drawn(bytes, number)
    png = with_file(bytes) { |path| run("pdftoppm", "-f", number.to_s, "-l", number.to_s, "-scale-to-x", WIDEST.to_s, "-scale-to-y", "-1", "-png", path) }
    Vips::Image.new_from_buffer(png, "").webpsave_buffer(Q: 80) if png.present?
  rescue Vips::Error
    nil
  end

  def self.with_file(bytes)
    Tempfile.create([ "sheets", ".pdf" ], binmode: true) do |file|
      file.write(bytes)
      file.flush
      yield file.path
    end
  end

  def self.run(*command)
    out, status = Open3.capture2(*command, binmode: true, rlimit_cpu: SECONDS, rlimit_as: 2.gigabytes, rlimit_fsize: LARGEST, err: File::NULL)
    out if status.success?
  end
  private_class_method :drawn, :with_file, :run
end
