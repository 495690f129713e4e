module Zuhause
  module Document
    # How much a text may be, so that no few kilobytes cost minutes: whatever is read from outside is held against these before
    # it is read and while it is, and what is more is refused as a whole, in words.
    module Limits
      MOST = {
        nodes: 100_000,      # of a document
        cells: 50_000,       # places of a table, spans and missing cells counted in
        markup: 250_000,     # elements of an HTML text
        markdown: 2 * 1024 * 1024, # bytes of a Markdown text
        html: 25 * 1024 * 1024     # bytes of an HTML text, with the pictures that stand in it
      }.freeze
      ATTRIBUTES = 50 # of one element

      module_function

      # Within, so many times as much may be: what is read there is no document yet.
      #
      # @param factor [Integer]
      def widened(factor)
        before, Thread.current[:limits_widened] = Thread.current[:limits_widened], factor
        yield
      ensure
        Thread.current[:limits_widened] = before
      end

      # @return [Integer]
      def factor
        Thread.current[:limits_widened] || 1
      end

      # @param what [Symbol] of {MOST}
      # @param amount [Integer]
      # @raise [Invalid] if that is more than there may be
      def hold(what, amount)
        refuse(what, MOST.fetch(what)) if amount > MOST.fetch(what) * (what == :html ? 1 : factor)
      end

      # @raise [Invalid]
      def refuse(what, most)
        raise Invalid, [ Check::Problem.new(code: :"most_#{what}", node: "doc", details: { most: most }, path: []) ]
      end

      # How large a document is at least, counted while it is made or looked at.
      class Size
        def initialize
          @nodes = @bytes = 0
        end

        # @param node [Object] one node, without what is in it
        # @raise [Invalid] once all of them are more than a document may hold
        def add(node)
          more(1)
          return unless node.is_a?(Hash)

          @bytes += bytes(node["text"]) + bytes_of(node["attrs"]) + (node["marks"].is_a?(Array) ? node["marks"].sum { |mark| mark.is_a?(Hash) ? bytes_of(mark["attrs"]) : 0 } : 0)
          raise Invalid, [ Check::Problem.new(code: :too_large, node: "doc", details: { bytes: Schema::MAX_BYTES }, path: []) ] if @bytes > Schema::MAX_BYTES * Limits.factor
        end

        # @param nodes [Integer] that are there as well
        # @raise [Invalid]
        def more(nodes)
          Limits.hold(:nodes, @nodes += nodes)
        end

        private

        def bytes(text)
          text.is_a?(String) ? text.bytesize : 0
        end

        def bytes_of(attrs)
          attrs.is_a?(Hash) ? attrs.sum { |_name, value| bytes(value) } : 0
        end
      end
    end
  end
end
