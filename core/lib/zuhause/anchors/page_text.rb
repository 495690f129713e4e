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

      WORD_OR_NOT = /([\p{L}\p{M}\p{N}]+)|([^\p{L}\p{M}\p{N}]+)/
      private_constant :WORD_OR_NOT

      attr_reader :whole, :blocks

      # @param text [String]
      # @return [Array<Array(String, Integer, Integer)>] its words, whatever their case, with where each begins and ends
      def self.words(text)
        from = 0
        text.scan(WORD_OR_NOT).filter_map do |word, other|
          upto = from + (word || other).length
          told = [ word.downcase, from, upto ] if word
          from = upto
          told
        end
      end

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

      # @return [Array<Array(String, Integer, Integer)>] see {.words}
      def words_of(block)
        (@words ||= {}.compare_by_identity)[block] ||= self.class.words(block.text)
      end

      # @param wanted [Hash{String=>Integer}] words, each with how often
      # @return [Hash{Block=>Integer}] how many of them blocks have, of those that have any
      def shared(wanted)
        wanted.each_with_object(Hash.new(0).compare_by_identity) do |(word, times), found|
          index[word]&.each { |block, number| found[block] += [ times, number ].min }
        end
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

      private

      # Which blocks have a word, and how often.
      def index
        @index ||= @blocks.each_with_object({}) do |block, found|
          words_of(block).map(&:first).tally.each { |word, times| (found[word] ||= []) << [ block, times ] }
        end
      end
    end
  end
end
