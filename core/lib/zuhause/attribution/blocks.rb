module Zuhause
  module Attribution
    # The blocks of a document that hold text, and those that are shown and hold none, such as a picture: each a list of words.
    class Blocks
      # What stands for a block that has no words.
      WHOLE = [ "" ].freeze

      # @param document [Hash]
      def initialize(document)
        @nodes = Document::Walk.blocks(document).each_with_object({}) { |node, found| found[node.dig("attrs", "id")] = node if told?(node) }
        @words = {}
      end

      def ids
        @nodes.keys
      end

      def include?(id)
        @nodes.key?(id)
      end

      # @return [Boolean] whether a block is the same in both, so that its words need not be looked at
      def same?(id, other)
        @nodes[id] && @nodes[id]["content"] == other.node(id)&.fetch("content", nil)
      end

      # @return [Array<String>] its words, whatever their case
      def words(id)
        @words[id] ||= textblock?(@nodes.fetch(id)) ? Anchors::PageText.words(Document::Text.of(@nodes.fetch(id))).map(&:first) : WHOLE
      end

      def node(id)
        @nodes[id]
      end

      private

      # Lists, tables and the like are told by what they hold.
      def told?(node)
        node.dig("attrs", "id") && (textblock?(node) || node["content"].to_a.empty?)
      end

      def textblock?(node)
        Document::Schema::NODES.fetch(node["type"]).textblock?
      end
    end
  end
end
