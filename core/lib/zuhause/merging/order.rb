module Zuhause
  module Merging
    # The order of what stands side by side: blocks of one parent, rows or columns of a table. What neither side moved keeps its
    # order; what a side put in or moved follows what it stands behind there; where both did in one place, the first side's
    # comes first, and what is equal stands once.
    class Order
      MOST = 200 # of which each two are looked at
      private_constant :MOST

      # @param present [Set] what is to stand there
      # @param base [Array] the order in the text that both come from
      # @param lists [Array(Array, Array)] the orders of both sides
      # @param later [Integer] the side that wins where both moved the same, 0 or 1
      # @yieldparam element [Object]
      # @yieldreturn [Object] equal for new elements of which one does
      def initialize(present, base, lists, later:, &key)
        @present, @later, @key = present, later, key || ->(element) { element }
        @base = base.select { |element| present.include?(element) }
        @lists = lists.map { |list| list.select { |element| present.include?(element) } }
        @in_base, @in_lists = @base.to_set, @lists.map(&:to_set)
      end

      # @return [Array]
      def merged
        [ @later, 1 - @later ].each { |side| return @lists[side] if holds?(side) }
        gaps = @lists.each_index.map { |side| gaps(side) }
        out = [ nil, *fixed ].flat_map do |anchor|
          [ *anchor, *runs(*gaps.map { |by_anchor| by_anchor.fetch(anchor, []) }) ]
        end
        out.uniq + (@present.to_a - out).select { |element| @base.include?(element) }
      end

      private

      # Whether one side has all that is to stand there, and wherever the other changed which of two comes first, it is so there too: as
      # in what was joined with it before.
      def holds?(side)
        whole, part = @lists[side], @lists[1 - side]
        return false unless whole.size == @present.size && whole.uniq.size == whole.size && part.size <= MOST

        at, was = [ whole, @base ].map { |list| list.each_with_index.to_h }
        part.combination(2).all? { |one, other| at[one] < at[other] || (was.key?(one) && was.key?(other) && was[one] < was[other]) }
      end

      # What stands in all three and was moved by neither.
      def fixed
        @fixed ||= begin
          common = @base.select { |element| @in_lists.all? { |list| list.include?(element) } }
          @moved = @lists.map { |list| moved(common, list) }
          common.reject { |element| @moved.any? { |moved| moved.include?(element) } }
        end
      end

      def moved(common, list)
        places = common.each_with_index.to_h
        order = list.filter_map { |element| places[element] }
        stay = Changes::Comparison.longest_increasing(order).to_set { |place| common[order[place]] }
        common.to_set - stay
      end

      def gaps(side)
        anchors = fixed.to_set
        anchor = nil
        @lists[side].each_with_object(Hash.new { |found, key| found[key] = [] }) do |element, found|
          anchors.include?(element) ? anchor = element : (found[anchor] << element if places?(side, element))
        end
      end

      # Whether it is this side that says where the element stands.
      def places?(side, element)
        return true unless @in_lists[1 - side].include?(element)
        return true unless @in_base.include?(element) # both put it there

        mine, others = @moved[side].include?(element), @moved[1 - side].include?(element)
        mine && (!others || side == @later)
      end

      def runs(one, other)
        return one + other if one.empty? || other.empty?

        common = Changes::Sequence.common(one.map { |element| sign(element) }, other.map { |element| sign(element) }, Changes::Budget.new)
        [ [ -1, -1 ], *common, [ one.size, other.size ] ].each_cons(2).flat_map do |(i, j), (k, l)|
          one[i + 1...k] + other[j + 1...l] + (k < one.size ? [ [ one[k], other[l] ].min_by(&:to_s) ] : [])
        end
      end

      def sign(element)
        @in_base.include?(element) ? element : @key.call(element)
      end
    end
  end
end
