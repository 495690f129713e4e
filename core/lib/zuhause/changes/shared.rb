module Zuhause
  module Changes
    # What two runs of inline nodes begin or end with alike, marks and all, up to a word's end: found by halving, far
    # quicker than word by word, and most of what is compared is alike.
    module Shared
      WORD_CHARACTER = /[\p{L}\p{M}\p{N}]/
      private_constant :WORD_CHARACTER

      module_function

      # @param old [Array<Hash>] inline nodes in normal form
      # @param new [Array<Hash>]
      # @return [Array(Array<Hash>, Array<Hash>, Array<Hash>)] what both begin with, and the rest of each
      def head(old, new)
        count = old.zip(new).take_while { |a, b| a == b }.size
        one, other = old.drop(count), new.drop(count)
        length = alike?(one.first, other.first) ? prefix(one.first["text"], other.first["text"]) : 0
        head = old.first(count)
        head += [ part(one.first, 0, length) ] if length.positive?
        [ head, rest(one, length), rest(other, length) ]
      end

      # @return [Array(Array<Hash>, Array<Hash>, Array<Hash>)] what both end with, and the rest of each
      def tail(old, new)
        count = old.reverse.zip(new.reverse).take_while { |a, b| a == b }.size
        one, other = old[0...(old.size - count)], new[0...(new.size - count)]
        length = alike?(one.last, other.last) ? suffix(one.last["text"], other.last["text"]) : 0
        tail = old.last(count)
        tail = [ part(one.last, one.last["text"].length - length, length), *tail ] if length.positive?
        [ tail, front(one, length), front(other, length) ]
      end

      def alike?(one, other)
        one && other && one["text"] && other["text"] && one["marks"] == other["marks"]
      end
      private_class_method :alike?

      def prefix(one, other)
        length = longest([ one.length, other.length ].min) { |size| other.start_with?(one[0, size]) }
        length -= 1 until boundary?(one, length) && boundary?(other, length)
        length
      end
      private_class_method :prefix

      def suffix(one, other)
        length = longest([ one.length, other.length ].min) { |size| other.end_with?(one[(one.length - size)..]) }
        length -= 1 until boundary?(one, one.length - length) && boundary?(other, other.length - length)
        length - one[(one.length - length)..][/\A\s*/].length # the space before goes with the words before
      end
      private_class_method :suffix

      # @yieldparam size [Integer]
      # @return [Integer] the greatest size up to +most+ for which the block holds, as it does for all below
      def longest(most)
        (0..most).bsearch { |size| !yield(size) }&.pred || most
      end
      private_class_method :longest

      # @return [Boolean] whether no word, and no run of spaces, goes on across that place
      def boundary?(text, place)
        return true if place.zero? || place == text.length

        before, after = text[place - 1], text[place]
        [ WORD_CHARACTER, /\s/ ].none? { |kind| before.match?(kind) && after.match?(kind) }
      end
      private_class_method :boundary?

      def part(node, from, length)
        node.merge("text" => node["text"][from, length])
      end
      private_class_method :part

      def rest(nodes, length)
        return nodes if length.zero?

        left = nodes.first["text"].length - length
        left.zero? ? nodes.drop(1) : [ part(nodes.first, length, left), *nodes.drop(1) ]
      end
      private_class_method :rest

      def front(nodes, length)
        return nodes if length.zero?

        left = nodes.last["text"].length - length
        left.zero? ? nodes[0...-1] : [ *nodes[0...-1], part(nodes.last, 0, left) ]
      end
      private_class_method :front
    end
  end
end
