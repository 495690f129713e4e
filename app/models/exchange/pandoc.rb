require "open3"

# Runs Pandoc as a program of its own, with bounds on time, memory and what it may touch.
module Pandoc
  class Failed < StandardError; end

  LARGEST = 200.megabytes # of what it writes

  # @param from [String] a format as Pandoc names it
  # @param to [String] likewise
  # @param bytes [String]
  # @param seconds [Integer] of the processor
  # @param folder [String] where it may put what it takes out of the bytes
  # @return [String] UTF-8
  # @raise [Failed]
  def self.convert(bytes, *more, from:, to:, seconds:, folder: Dir.tmpdir)
    command = [ "pandoc", "+RTS", "-M768M", "-RTS", "--sandbox", "--from", from, "--to", to, *more ]
    out, status = Open3.capture2(*command, stdin_data: bytes, binmode: true, chdir: folder, rlimit_cpu: seconds, rlimit_fsize: LARGEST, err: File::NULL)
    raise Failed unless status.success? && out.bytesize <= LARGEST

    out.force_encoding(Encoding::UTF_8)
  end
end
