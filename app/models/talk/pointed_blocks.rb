# The blocks of a text that something can be said to, for those who cannot or do not want to mark a stretch of it.
module PointedBlocks
  Block = Struct.new(:id, :type, :words)

  LONGEST = 90 # characters
  OUTER = %w[table figure embed gallery divider code_block].freeze

  # @param document [Hash]
  # @return [Array<Block>] in the order of the text
  def self.of(document)
    Zuhause::Document::Walk.blocks(document).filter_map do |block|
      text = Zuhause::Document::Text.of(block).squish
      next unless OUTER.include?(block["type"]) || (Zuhause::Document::Schema::NODES.fetch(block["type"]).textblock? && text.present?)

      Block.new(block.dig("attrs", "id"), block["type"], text.truncate(LONGEST, omission: "…"))
    end
  end
end
