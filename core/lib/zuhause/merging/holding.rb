module Zuhause
  module Merging
    # Whether one side's text of a block holds already all that the other did to it: what the other put in stands there in its order, and
    # what it took away does not. So it is with what has been joined before. Where words stand several times, the base does not tell
    # that, and what both put in would come twice.
    module Holding
      AFTER = :after # the spaces that follow
      private_constant :AFTER

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

      # @return [Array<Hash>] words and signs, each with the spaces that follow it, after one for where they begin: of several spaces
      #   beside each other it cannot be told which one was put in
      def words(nodes)
        [ { "text" => "" }, *Words.pieces(nodes) ].chunk_while { |_before, node| space?(node) }.map { |first, *spaces| first.merge(AFTER => spaces.sum("") { |node| node["text"] }) }
      end
      private_class_method :words

      # What the part put in stands in the whole, what it took away does not, and its marks are there.
      def holds?(base, whole, part, budget)
        was, there, here = [ base, whole, part ].map { |nodes| nodes.map { |node| Words.sign(node) } }
        return false unless likely?(was, there, here)

        both = Changes::Sequence.common(here, there, budget)
        old = [ here, there ].map { |signs| Changes::Sequence.common(was, signs, budget).to_h.invert }
        (here.each_index.to_a - both.map(&:first)).all? { |i| old[0].key?(i) } && (there.each_index.to_a - both.map(&:last)).none? { |i| old[1].key?(i) } &&
          both.all? { |i, j| marks(part[i]) == marks(whole[j]) } && apart?(base, whole, part, both.to_h, old[0])
      end
      private_class_method :holds?

      # Whether what the part did to spaces alone is in the whole: those before what it put in belong to that.
      #
      # @param held [Hash{Integer=>Integer}] places in the whole by those in the part
      # @param old [Hash{Integer=>Integer}] places in the base by those in the part
      def apart?(base, whole, part, held, old)
        part.each_index.all? do |i|
          (i + 1 < part.size && !old.key?(i + 1)) || [ [ whole, held[i] ], [ base, old[i] ] ].any? { |nodes, at| at && nodes[at][AFTER] == part[i][AFTER] }
        end
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
