# A file that comes from elsewhere than a form, to be taken as one that was uploaded: its bytes, or where they lie.
class Upload
  attr_reader :original_filename, :path

  # @param bytes [String] of a text in UTF-8, or else in what was usual before it
  # @return [String]
  def self.text(bytes)
    text = bytes.dup.force_encoding(Encoding::UTF_8).delete_prefix("\uFEFF")
    text.valid_encoding? ? text : bytes.dup.force_encoding(Encoding::WINDOWS_1252).encode(Encoding::UTF_8, undef: :replace, invalid: :replace)
  end

  # @param bytes [String, nil] read from the path when they are asked for
  def initialize(original_filename, bytes = nil, path: nil)
    @original_filename, @bytes, @path = original_filename, bytes, path
  end

  def bytes
    @bytes ||= File.binread(path)
  end
  alias_method :read, :bytes

  def size
    path ? File.size(path) : bytes.bytesize
  end
end
