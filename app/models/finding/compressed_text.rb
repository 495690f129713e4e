require "zlib"

# A type of columns whose text lies compressed.
class CompressedText < ActiveModel::Type::Value
  def type
    :text
  end

  def serialize(text)
    text && ActiveModel::Type::Binary::Data.new(Zlib.deflate(text))
  end

  def deserialize(bytes)
    bytes && Zlib.inflate(bytes).force_encoding(Encoding::UTF_8)
  end
end
