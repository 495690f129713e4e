require "diff/lcs"

module Zuhause
  module Changes
    # What two sequences have in common, in their order. Short ones: a longest common subsequence (Hunt and McIlroy 1976). In
    # long ones what stands once in either is found first (patience diff, Cohen 2003), then what stands between.
    module Sequence
      SHORT = 250_000 # pairs

      module_function

      # @param one [Array<Object>] elements that can be told apart by eql?
      # @param other [Array<Object>]
      # @param budget [Budget]
      # @param short [Integer] pairs up to which they are short
      # @return [Array<Array(Integer, Integer)>] places of equal elements, rising on both sides
      def common(one, other, budget, short: SHORT)
        pairs = []
        stack = [ [ 0, one.size, 0, other.size ] ]
        while (from, to, start, finish = stack.pop)
          head, tail = ends(one, other, from, to, start, finish)
          pairs.concat(head).concat(tail)
          from, start, to, finish = from + head.size, start + head.size, to - tail.size, finish - tail.size
          next if from == to || start == finish

          found = short?(from, to, start, finish, budget, short) ? longest(one, other, from, to, start, finish) : anchors(one, other, from, to, start, finish)
          pairs.concat(found.first)
          stack.concat(found.last)
        end
        pairs.sort
      end

      def short?(from, to, start, finish, budget, short)
        pairs = (to - from) * (finish - start)
        pairs <= short && budget.spend(pairs)
      end
      private_class_method :short?

      def ends(one, other, from, to, start, finish)
        most = [ to - from, finish - start ].min
        head = (0...most).take_while { |i| one[from + i].eql?(other[start + i]) }.size
        tail = (1..(most - head)).take_while { |i| one[to - i].eql?(other[finish - i]) }.size
        [ Array.new(head) { |i| [ from + i, start + i ] }, Array.new(tail) { |i| [ to - 1 - i, finish - 1 - i ] } ]
      end
      private_class_method :ends

      def longest(one, other, from, to, start, finish)
        same = Diff::LCS.sdiff(one[from...to], other[start...finish]).select(&:unchanged?)
        [ same.map { |change| [ from + change.old_position, start + change.new_position ] }, [] ]
      end
      private_class_method :longest

      # @return [Array(Array, Array)] pairs of what stands once on either side, and what is still to be looked at between them
      def anchors(one, other, from, to, start, finish)
        olds, news = once(one, from, to), once(other, start, finish)
        both = olds.filter_map { |element, i| (j = news[element]) && [ i, j ] }
        kept = Comparison.longest_increasing(both.map(&:last)).map { |place| both[place] }
        return [ in_order(one, other, from, to, start, finish), [] ] if kept.empty?

        bounds = [ [ from - 1, start - 1 ], *kept, [ to, finish ] ]
        [ kept, bounds.each_cons(2).map { |(i, j), (k, l)| [ i + 1, k, j + 1, l ] } ]
      end
      private_class_method :anchors

      def once(elements, from, to)
        (from...to).group_by { |i| elements[i] }.filter_map { |element, places| [ element, places.first ] if places.one? }.to_h
      end
      private_class_method :once

      # Nothing stands there once, and it is too long: each is what next is equal to it.
      def in_order(one, other, from, to, start, finish)
        places = (start...finish).group_by { |j| other[j] }
        next_place = start
        (from...to).filter_map do |i|
          all = places[one[i]] or next
          j = all.bsearch { |place| place >= next_place } or next
          next_place = j + 1
          [ i, j ]
        end
      end
      private_class_method :in_order
    end
  end
end
