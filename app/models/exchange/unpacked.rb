require "zip"

# The files of a folder that was sent as a ZIP file. It comes from anywhere: what it says of itself is not believed, nothing is
# written where it says, and more than may be is not unpacked.
class Unpacked
  # +message+ says why, as a problem of long work: "unpacked_broken", "unpacked_many" or "unpacked_large".
  class Unfit < StandardError; end

  MOST = Arrival::MOST # files
  # What systems put there for themselves, and what books say of themselves to programs.
  LEFT_OUT = %r{(?:\A|/)(?:__MACOSX/|META-INF/|\.|Thumbs\.db\z|desktop\.ini\z|mimetype\z)}i

  # @param path [String] of the ZIP file
  # @param largest [Integer] bytes of all that is unpacked
  def initialize(path, largest: Arrival.largest_whole)
    @path, @largest = path, largest
  end

  # @return [Array<String>] with slashes between folders
  # @raise [Unfit] for more than is unpacked, too
  def names
    told = told_files
    raise Unfit, "unpacked_many" if told.size > MOST
    raise Unfit, "unpacked_large" if told.each_value.sum(&:size) > @largest

    told.keys
  end

  # @param names [Array<String>] of those that are wanted
  # @yieldparam name [String]
  # @yieldparam bytes [String]
  # @raise [Unfit]
  def each(names = self.names)
    told = told_files
    names.each do |name|
      entry = told[name] or next
      bytes = bytes_of(entry)
      raise Unfit, "unpacked_large" if bytes.bytesize > [ entry.size, Arrival::LARGEST ].min

      yield name, bytes
    end
  end

  # What is wrong with the file, and nothing that goes wrong with what it is unpacked for.
  BROKEN = [ Zip::Error, Zlib::Error, ArgumentError, RangeError, Errno::EINVAL ].freeze
  private_constant :BROKEN

  private

  # @return [Hash{String=>Zip::Entry}]
  def told_files
    @told_files ||= Zip::File.open(@path).entries.select { |entry| entry.file? && !entry.symlink? }.map { |entry| [ named(entry), entry ] }.select(&:first).uniq(&:first).to_h
  rescue *BROKEN
    raise Unfit, "unpacked_broken"
  end

  # One more than it says, or than may be, tells that it says less than there is.
  def bytes_of(entry)
    entry.get_input_stream.read([ entry.size, Arrival::LARGEST ].min + 1) || "".b
  rescue *BROKEN
    raise Unfit, "unpacked_broken"
  end

  # @return [String, nil] nil for what is left out, and for names that lead elsewhere
  def named(entry)
    name = entry.name.dup.force_encoding(Encoding::UTF_8)
    name = entry.name.dup.force_encoding(Encoding::CP437).encode(Encoding::UTF_8) unless name.valid_encoding?
    name = Zuhause::Document::Normal.clean(name.tr("\\", "/")).delete_prefix("./")
    name unless name.empty? || name.start_with?("/") || name.split("/").include?("..") || name.match?(LEFT_OUT) || name.match?(/\A[a-z]:/i)
  end
end
