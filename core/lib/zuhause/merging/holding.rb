module Zuhause
  module Merging
    # Whether one side's text of a block holds already all that the other did to it: what the other put in stands there in its order, and
    # what it took away does not. So it is with what has been joined before. Where words stand several times, the base does not tell
    # that, and what both put in would come twice.
    module Holding
      SPACED = :spaced # followed by a space
      private_constant :SPACED

      module_function

      # @param base [Array<Hash>] inline nodes in normal form
      # @param one [Array<Hash>] of the first side
      # @param other [Array<Hash>]
      # @param later [Integer] the side that is taken where each holds the other
      # @param budget [Changes::Budget]
      # @return [Array<Hash>, nil] that of the side which holds the other
      def of(base, one, other, later, budget)
        base, *sides = [ base, one, other ].map { |nodes| words(nodes) }
        [ later, 1 - later ].each { |i| return [ one, other ][i] if holds?(base, sides[i], sides[1 - i], budget) }
        nil
      end

      # @return [Array<Hash>] words and signs, but for spaces: of several beside each other it cannot be told which one was put in
      def words(nodes)
        Words.pieces(nodes).chunk_while { |_before, node| space?(node) }.flat_map { |first, *spaces| space?(first) ? [] : [ spaces.any? ? first.merge(SPACED => true) : first ] }
      end
      private_class_method :words

      # What the part put in stands in the whole, what it took away does not, and its marks are there.
      def holds?(base, whole, part, budget)
        was, there, here = [ base, whole, part ].map { |nodes| nodes.map { |node| Words.sign(node) } }
        return false unless likely?(was, there, here)

        both = Changes::Sequence.common(here, there, budget)
        old = [ here, there ].map { |signs| Changes::Sequence.common(was, signs, budget).to_set(&:last) }
        (here.each_index.to_a - both.map(&:first)).all? { |i| old[0].include?(i) } && (there.each_index.to_a - both.map(&:last)).none? { |i| old[1].include?(i) } &&
          both.all? { |i, j| marks(part[i]) == marks(whole[j]) } && apart?(both, part, whole)
      end
      private_class_method :holds?

      # Whether spaces stand where the part has them between two that stand beside each other in either.
      def apart?(both, part, whole)
        both.each_cons(2).all? { |(i, j), following| following != [ i + 1, j + 1 ] || !part[i].key?(SPACED) || whole[j].key?(SPACED) }
      end
      private_class_method :apart?

      # Told without their order, which most that do not are told by.
      def likely?(was, there, here)
        old, known = was.tally, there.tally
        here.tally.all? { |sign, count| count - old.fetch(sign, 0) <= known.fetch(sign, 0) }
      end
      private_class_method :likely?

      def marks(node)
        node["marks"].to_a.reject { |mark| MARKS.include?(mark["type"]) }
      end
      private_class_method :marks

      def space?(node)
        node["text"]&.match?(/\A\s+\z/)
      end
      private_class_method :space?
    end
  end
end
