module Zuhause
  module Changes
    # What changed inside one block of text, word by word.
    module Inline
      # A stretch of text: +kind+ is :same, :added, :removed or :formatted (the same words with other marks); +old+ and
      # +new+ are the inline nodes before and after, nil where there are none.
      Part = Struct.new(:kind, :old, :new)

      WORD = /[\p{L}\p{M}\p{N}]+|\s+|./m

      module_function

      # @param old [Array<Hash>] inline nodes in normal form
      # @param new [Array<Hash>]
      # @param budget [Budget] once that is spent, a stretch that differs counts as replaced
      # @return [Array<Part>] in order; neighbours of one kind joined
      def compare(old, new, budget = Budget.new)
        return join([ Part.new(:same, old, new) ]) if old == new && old.any?

        head, one, other = Shared.head(old, new)
        tail, one, other = Shared.tail(one, other)
        same = [ head, tail ].map { |nodes| nodes.any? ? [ Part.new(:same, nodes, nodes) ] : [] }
        join(same.first + words(one, other, budget) + same.last)
      end

      # @param parts [Array<Part>]
      # @return [Array<Hash>] the new inline nodes, from what was kept of the old and what was added
      def apply(parts)
        glue(parts.reject { |part| part.kind == :removed }.flat_map { |part| part.kind == :same ? part.old : part.new })
      end

      # @return [Array<Hash>] nodes with equal neighbours joined
      def glue(nodes)
        nodes.slice_when { |a, b| a["text"].nil? || b["text"].nil? || a["marks"] != b["marks"] }
             .map { |run| run.one? ? run.first : run.first.merge("text" => run.map { |node| node["text"] }.join) }
      end

      # Word by word; the words that both begin or end with are kept, whatever marks they carry.
      def words(old, new, budget)
        grain = budget.grain([ old, new ], WORD)
        one, other = tokens(old, grain), tokens(new, grain)
        head = common(one, other)
        tail = common(one.drop(head).reverse, other.drop(head).reverse)
        middle = between(one[head...(one.size - tail)], other[head...(other.size - tail)], budget)
        keep(one.first(head), other.first(head)) + middle + keep(one.last(tail), other.last(tail))
      end
      private_class_method :words

      def tokens(nodes, grain)
        nodes.flat_map { |node| node["text"] ? node["text"].scan(grain).map { |word| node.merge("text" => word) } : [ node ] }
      end
      private_class_method :tokens

      def common(one, other)
        one.each_index.find { |i| i >= other.size || sign(one[i]) != sign(other[i]) } || [ one.size, other.size ].min
      end
      private_class_method :common

      # What a token says, whatever marks it carries.
      def sign(token)
        token["text"] || token.values_at("type", "attrs", "content")
      end
      private_class_method :sign

      def keep(one, other)
        one.zip(other).map { |a, b| Part.new(a == b ? :same : :formatted, [ a ], [ b ]) }
      end
      private_class_method :keep

      def between(one, other, budget)
        return replaced(one, other) if one.empty? || other.empty? || !budget.spend(one.size + other.size)

        pairs = Sequence.common(one.map { |token| sign(token) }, other.map { |token| sign(token) }, budget)
        [ [ -1, -1 ], *pairs, [ one.size, other.size ] ].each_cons(2).flat_map do |(i, j), (k, l)|
          replaced(one[i + 1...k], other[j + 1...l]) + (k < one.size ? keep([ one[k] ], [ other[l] ]) : [])
        end
      end
      private_class_method :between

      def replaced(one, other)
        one.map { |token| Part.new(:removed, [ token ], nil) } + other.map { |token| Part.new(:added, nil, [ token ]) }
      end
      private_class_method :replaced

      # Of a run of words taken away and put in, all that went stands before all that came.
      def join(parts)
        parts.chunk_while { |a, b| changed?(a) == changed?(b) && (changed?(a) || a.kind == b.kind) }.flat_map do |run|
          changed?(run.first) ? %i[removed added].filter_map { |kind| merge(run.select { |part| part.kind == kind }) } : [ merge(run) ]
        end
      end
      private_class_method :join

      def changed?(part)
        part.kind == :removed || part.kind == :added
      end
      private_class_method :changed?

      def merge(parts)
        return if parts.empty?

        Part.new(parts.first.kind, *%i[old new].map { |side| parts.first[side] && glue(parts.flat_map(&side)) })
      end
      private_class_method :merge
    end
  end
end
