module Zuhause
  module Merging
    # The text of one block, word by word (after diff3: Khanna, Kunal and Pierce, "A formal investigation of diff3", 2007).
    # Between words that both sides kept, what either put in stands, and what either took away does not. Where both put in
    # different words in one place, both stand, each marked as one of a double.
    class Words
      PIECE = /[\p{L}\p{M}\p{N}]+|./m # a word, or one letter of anything else
      SHORT = 2000 # pairs of words; in longer ones what stands once is found first
      private_constant :PIECE, :SHORT

      Token = Struct.new(:node, :places) do
        def sign
          Words.sign(node)
        end

        def word?
          node["text"]&.match?(/\A[\p{L}\p{M}\p{N}]/)
        end

        def space?
          node["text"]&.match?(/\A\s+\z/)
        end
      end

      # @param base [Array<Hash>] inline nodes in normal form
      # @param one [Array<Hash>] of the first side
      # @param other [Array<Hash>]
      # @param by [Array(String, String)] who wrote them
      # @param later [Integer] the side whose value wins where a mark can have one only
      # @param budget [Changes::Budget]
      # @return [Array<Hash>] inline nodes
      def self.merge(base, one, other, by:, later:, budget: Changes::Budget.new)
        return other if one == base || one == other
        return one if other == base

        head = shared(:head, base, one, other)
        base, one, other = [ base, one, other ].map { |nodes| Changes::Shared.head(nodes, head).fetch(1) }
        tail = shared(:tail, base, one, other)
        base, one, other = [ base, one, other ].map { |nodes| Changes::Shared.tail(nodes, tail).fetch(1) }
        merged = Holding.of(base, one, other, later, budget) || new(base, [ one, other ], by: by, later: later, budget: budget).merged
        Changes::Inline.glue(head + merged + tail)
      end

      # What all three begin or end with, but for its last word, which what changed may be joined to.
      def self.shared(edge, base, one, other)
        both = [ one, other ].map { |nodes| Changes::Shared.public_send(edge, base, nodes).first }
        nodes = both.min_by { |each| [ each.size, each.sum { |node| node["text"].to_s.length } ] }
        rest, node = edge == :head ? [ nodes[0...-1], nodes.last ] : [ nodes.drop(1), nodes.first ]
        text = node && node["text"]
        at = text && (edge == :head ? text.rindex(/\s\S/) : text.index(/(?<=\s)\S/))
        return rest unless at && !at.zero? && at < text.length

        edge == :head ? [ *rest, node.merge("text" => text[0...at]) ] : [ node.merge("text" => text[at..]), *rest ]
      end
      private_class_method :shared

      # @param nodes [Array<Hash>] inline nodes
      # @param grain [Regexp]
      # @return [Array<Hash>] the same, word by word
      def self.pieces(nodes, grain = Changes::Budget.new.grain([ nodes ], PIECE))
        nodes.flat_map { |node| node["text"] ? node["text"].scan(grain).map { |text| node.merge("text" => text) } : [ node ] }
      end

      # @param node [Hash] inline
      # @return [Object] equal for what says the same
      def self.sign(node)
        node["text"] || node.values_at("type", "attrs", "content")
      end

      def initialize(base, sides, by:, later:, budget:)
        @by, @later, @budget = by, later, budget
        @grain = budget.grain([ base, *sides ], PIECE)
        @base = tokens(base, 0)
        @sides = sides.each_with_index.map { |nodes, i| tokens(nodes, i + 1) }
        @matches = @sides.map { |side| matches(side) }
        @kept = @matches.map(&:invert)
      end

      def merged
        out = []
        bounds.each_cons(2) do |(_from, *places), (to, *ends)|
          out.concat(between(places.zip(ends).map { |from, upto| from + 1...upto }))
          out << kept(to, *ends) if to < @base.size
        end
        Changes::Inline.glue(apart(out).map(&:node))
      end

      private

      def tokens(nodes, doc)
        Words.pieces(nodes, @grain).each_with_index.map { |node, i| Token.new(node, { doc => i }) }
      end

      # @return [Hash{Integer=>Integer}] places in a side by those in the base
      def matches(side)
        known = foremost(unbroken(Changes::Sequence.common(@base.map(&:sign), side.map(&:sign), @budget, short: SHORT)), side).to_h
        known.select { |i, j| !@base[i].space? || beside?(i, j, known, -1, [ -1, -1 ]) || beside?(i, j, known, 1, [ @base.size, side.size ]) }
      end

      # Of equal words in the base the one is meant that stands beside what stands beside it in the side: before what follows
      # it, else behind what it follows.
      def unbroken(pairs)
        found = pairs.dup
        [ [ found.each_index.reverse_each, 1 ], [ found.each_index, -1 ] ].each do |order, step|
          order.each do |n|
            (i, j), (near_i, near_j) = found[n], (found[n + step] if n + step >= 0)
            next unless near_i && near_j == j + step && near_i != i + step && @base[near_i - step].sign == @base[i].sign
            next if step.negative? && found[n + 1] == [ i + 1, j + 1 ]

            found[n] = [ near_i - step, j ]
          end
        end
        found
      end

      # Of equal words between two that were kept, the first is the one that was.
      def foremost(pairs, side)
        place = -1
        pairs.map { |from, to| [ from, place = (place + 1..to).find { |i| side[i].sign == side[to].sign } ] }
      end

      # A space alone among words that are others now is no place that was kept.
      def beside?(i, j, known, step, edge)
        [ i + step, j + step ] == edge || known[i + step] == j + step
      end

      # What all three have: places in the base and in both sides, with what stands before the first and behind the last.
      def bounds
        common = @base.each_index.filter_map { |i| places = @matches.map { |match| match[i] } and places.all? && [ i, *places ] }
        [ [ -1, -1, -1 ], *common, [ @base.size, *@sides.map(&:size) ] ]
      end

      def kept(place, first, second)
        old, *new = @base[place].node, @sides[0][first].node, @sides[1][second].node
        Token.new(marked(old, new), { 0 => place, 1 => first, 2 => second })
      end

      def marked(old, new)
        return old unless old["text"]

        marks = old.key?("marks") || new.any? { |node| node.key?("marks") } ? merged_marks(old["marks"] || [], new.map { |node| node["marks"] || [] }) : []
        marks.empty? ? old.except("marks") : old.merge("marks" => marks)
      end

      # By type: what a side changed holds; of two changes the later one's.
      def merged_marks(old, new)
        types = [ *old, *new.flatten(1) ].map { |mark| mark["type"] }.uniq.sort_by { |type| Document::Schema::MARK_ORDER.fetch(type) }
        types.filter_map do |type|
          was, *is = [ old, *new ].map { |marks| marks.find { |mark| mark["type"] == type } }
          next is[1] if is[0] == was
          next is[0] if is[1] == was || is[0] == is[1]

          is[@later] || is[1 - @later]
        end
      end

      # What stands between two words that all have.
      def between(in_sides)
        one, other = in_sides.each_with_index.map { |places, side| put_in(side, places) }
        one.any? && other.any? ? both(one, other) : one + other
      end

      # What a side holds there that was not in the base.
      def put_in(side, places)
        places.reject { |place| @kept[side].key?(place) }.map { |place| @sides[side][place] }
      end

      def both(one, other)
        return longer(other, one) if within?(one, other)
        return longer(one, other) if within?(other, one)

        head = one.zip(other).take_while { |a, b| b && a.sign == b.sign }.size
        tail = one.drop(head).reverse.zip(other.drop(head).reverse).take_while { |a, b| b && a.sign == b.sign }.size
        middle = double(one[head...(one.size - tail)], other[head...(other.size - tail)])
        longer(one.first(head), other.first(head)) + middle + longer(one.last(tail), other.last(tail))
      end

      # Whether the first stands in the second, in its order.
      def within?(one, other)
        place = -1
        one.all? { |token| place = (place + 1...other.size).find { |i| other[i].sign == token.sign } }
      end

      # The one that holds all of the other, with the marks of both.
      def longer(one, other)
        left = other.dup
        one.map do |token|
          next token unless left.first&.sign == token.sign

          same = left.shift
          Token.new(token.space? && one.size > other.size ? token.node : with_marks_of(token.node, same.node), token.places.merge(same.places))
        end
      end

      def with_marks_of(node, other)
        marks = [ *node["marks"], *other["marks"] ].uniq { |mark| mark["type"] }.sort_by { |mark| Document::Schema::MARK_ORDER.fetch(mark["type"]) }
        node["text"].nil? || marks.empty? ? node : node.merge("marks" => marks)
      end

      def double(one, other)
        return one + other if one.empty? || other.empty?

        first, second = [ one, other ].each_with_index.map { |tokens, side| tokens.map { |token| with_mark(token, "double", side) } }
        first.last.space? || second.first.space? ? first + second : first + [ separator(second.first) ] + second
      end

      def separator(token)
        Token.new(token.node["text"] ? token.node.merge("text" => " ") : { "type" => "text", "text" => " " }, {})
      end

      def with_mark(token, type, side)
        return token unless token.node["text"] && token.node["marks"].to_a.none? { |mark| MARKS.include?(mark["type"]) }

        mark = { "type" => type, "attrs" => { "by" => @by[side] }.compact }
        mark.delete("attrs") if mark["attrs"].empty?
        marks = [ *token.node["marks"], mark ].sort_by { |each| Document::Schema::MARK_ORDER.fetch(each["type"]) }
        Token.new(token.node.merge("marks" => marks), token.places)
      end

      # Words that never stood beside each other do not run into one.
      def apart(out)
        out.each_cons(2).flat_map { |a, b| a.word? && b.word? && !neighbours?(a, b) ? [ separator(b), b ] : [ b ] }.unshift(*out.first(1))
      end

      def neighbours?(one, other)
        one.places.any? { |doc, place| other.places[doc] == place + 1 }
      end
    end
  end
end
