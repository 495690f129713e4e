module Zuhause
  module Document
    # Goes through a tree in document order without recursion, so that no depth of nesting can exhaust the stack.
    module Walk
      module_function

      # @param doc [Hash] a node
      # @yieldparam node [Hash] each node, +doc+ itself first
      # @yieldparam ancestors [Array<Hash>] the nodes it stands in, outermost first
      # @return [Enumerator] without a block
      def each(doc)
        return enum_for(:each, doc) unless block_given?

        stack = [ [ doc, [] ] ]
        while (node, ancestors = stack.pop)
          yield node, ancestors
          children = node["content"] or next
          inner = ancestors + [ node ]
          children.reverse_each { |child| stack.push([ child, inner ]) }
        end
      end

      # @return [Array<Hash>] the blocks of the tree in document order
      def blocks(doc)
        found, stack = [], [ doc ]
        while (node = stack.pop)
          type = Schema::NODES.fetch(node["type"])
          found << node if type.block?
          stack.concat(node["content"].reverse) if node["content"] && !type.textblock? # no block stands in a line
        end
        found
      end

      # Rebuilds a tree from its leaves upwards.
      #
      # @yieldparam node [Hash] a copy of a node whose content is already what the block made of it
      # @yieldreturn [Hash, Array<Hash>, nil] what stands in its place
      # @return [Hash, Array<Hash>, nil] what stands in place of +doc+
      def rebuild(doc, &block)
        content = doc["content"]
        node = content ? doc.merge("content" => content.flat_map { |child| rebuild(child, &block) || [] }) : doc.dup
        block.call(node)
      end
    end
  end
end
