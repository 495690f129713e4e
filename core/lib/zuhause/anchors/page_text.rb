module Zuhause
  module Anchors
    # The text of a document as quotes are looked for in it: textblock after textblock, one on each line.
    class PageText
      # A textblock: +id+, +text+, and where it begins in the whole.
      Block = Struct.new(:id, :text, :from) do
        def upto
          from + text.length
        end
      end

      # Letters beyond ASCII are counted from the beginning each time, but for an encoding in which all are of one width.
      WIDE = Encoding::UTF_32LE
      private_constant :WIDE

      attr_reader :whole, :blocks

      # @param document [Hash]
      def initialize(document)
        from = 0
        @nodes = {}
        @blocks = Document::Walk.blocks(document).filter_map do |node|
          @nodes[node.dig("attrs", "id")] = [ node, from ]
          next unless Document::Schema::NODES.fetch(node["type"]).textblock?

          text = Document::Text.of(node).tr("\n", " ")
          Block.new(node.dig("attrs", "id"), text, from).tap { from += text.length + 1 }
        end
        @whole = @blocks.map(&:text).join("\n")
        @wide = @whole.encode(WIDE) unless @whole.ascii_only?
        @by_id = @blocks.to_h { |block| [ block.id, block ] }
      end

      # @return [Block, nil]
      def block(id)
        @by_id[id]
      end

      # @param id [String] of any block
      # @return [Anchor, nil] it as a whole
      def whole_block(id)
        node, = @nodes[id]
        node && Anchor.new(block: id, exact: Document::Text.of(node).tr("\n", " ")[0, SKETCH], prefix: "", suffix: "", file: node.dig("attrs", "file"))
      end

      # @param anchor [Anchor] that stands here
      # @return [Integer] where it begins in the whole
      def place(anchor)
        @nodes.dig(anchor.block, 1).to_i + anchor.start.to_i
      end

      # @param place [Integer] in the whole
      # @return [Block] that it stands in
      def block_at(place)
        @blocks[(@blocks.bsearch_index { |block| block.from > place } || @blocks.size) - 1]
      end

      # @return [Anchor, nil]
      def anchor(id, start, length)
        block = block(id)
        return unless block && start >= 0 && length.positive? && start < block.text.length && block.from + start + length <= @whole.length

        anchor_at(block.from + start, length)
      end

      # @param place [Integer] in the whole
      # @return [Anchor]
      def anchor_at(place, length)
        block = block_at(place)
        Anchor.new(block: block.id, start: place - block.from, length: length, exact: slice(place, length), prefix: before(place), suffix: slice(place + length, CONTEXT))
      end

      # @return [String] so many characters from that place on
      def slice(place, length)
        @wide ? @wide[place, length].to_s.encode(Encoding::UTF_8) : @whole[place, length].to_s
      end

      # @return [String] what stands before it, as far as it is remembered
      def before(place)
        from = [ place - CONTEXT, 0 ].max
        slice(from, place - from)
      end

      # @return [Array<Integer>] places where the words stand
      def places_of(words, most)
        text, words = @wide ? [ @wide, words.encode(WIDE) ] : [ @whole, words ]
        found, at = [], -1
        found << at while found.size < most && (at = text.index(words, at + 1))
        found
      end

      # @return [Integer] characters
      def length
        @whole.length
      end
    end
  end
end
