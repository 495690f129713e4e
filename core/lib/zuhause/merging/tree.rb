module Zuhause
  module Merging
    # The blocks of one document by their ids: each with what it stands in and what stands in it.
    class Tree
      ROOT = "".freeze

      attr_reader :nodes, :parents

      def initialize(document)
        @nodes, @parents, @children = { ROOT => document }, {}, {}
        stack = [ [ ROOT, document ] ]
        while (id, node = stack.pop)
          blocks = textblock?(node) ? [] : node["content"] || []
          @children[id] = blocks.map { |block| block.dig("attrs", "id") }
          blocks.each { |block| @parents[block.dig("attrs", "id")] = id }
          stack.concat(blocks.map { |block| [ block.dig("attrs", "id"), block ] }.each { |child, block| @nodes[child] = block })
        end
      end

      def key?(id)
        @nodes.key?(id)
      end

      def [](id)
        @nodes[id]
      end

      # @return [Array<String>] ids, none for a block that is not there
      def children(id)
        @children.fetch(id, [])
      end

      # @return [Hash] what the block is by itself, without the blocks in it
      def own(id)
        node = @nodes[id]
        textblock?(node) ? node : node.except("content")
      end

      # @return [Array<String>] ids of it and all that stands in it, in document order
      def inside(id)
        stack, found = [ id ], []
        while (each = stack.pop)
          found << each
          stack.concat(children(each).reverse)
        end
        found
      end

      # @return [String] equal for blocks that say the same
      def content_key(id)
        @content_keys ||= {}
        @content_keys[id] ||= JSON.generate(Document::Ids.strip(@nodes[id]))
      end

      private

      def textblock?(node)
        Document::Schema::NODES.fetch(node["type"]).textblock?
      end
    end
  end
end
