require "zlib"

# A type of columns whose text lies compressed.
class CompressedText < ActiveModel::Type::Value
  # A text with what is going to lie there: worked out before a transaction begins, since whoever compresses lets other threads go
  # first, and all who write would wait for that.
  Packed = Struct.new(:text, :bytes)

  # @param text [String]
  # @return [Packed]
  def self.pack(text)
    Packed.new(text, Zlib.deflate(text))
  end

  def type
    :text
  end

  def serialize(text)
    text && ActiveModel::Type::Binary::Data.new(text.is_a?(Packed) ? text.bytes : Zlib.deflate(text))
  end

  def deserialize(bytes)
    bytes && Zlib.inflate(bytes).force_encoding(Encoding::UTF_8)
  end
end
