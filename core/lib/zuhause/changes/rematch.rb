module Zuhause
  module Changes
    # Finds for each block of a text that came without ids the block that it was. Children of one parent are aligned: those
    # with equal content first (longest common subsequence), then, between them, those that {Matching} finds alike, then
    # containers and blocks without words by where they stand. Words that are new throughout make a new block.
    class Rematch
      # @param old [Hash] a document in normal form, with ids
      # @param new [Hash] another, with few ids or none; ids that it has stay
      # @return [Hash] the new one with ids
      def self.ids(old, new)
        new(old, new).ids
      end

      def initialize(old, new)
        @new = new
        @budget = Budget.new
        @matching = Matching.new(old, new)
        @ids = {}.compare_by_identity
        @taken = Document::Walk.blocks(new).filter_map { |node| node.dig("attrs", "id") }.to_set
        @keys = {}.compare_by_identity
        align_all(old, new)
        note_moved
      end

      def ids
        inside(@new)
      end

      private

      def align_all(old, new)
        stack = [ [ old, new ] ]
        while (was, is = stack.pop)
          pairs(blocks(was), blocks(is)).each do |one, other|
            note(one, other)
            stack.push([ one, other ])
          end
        end
      end

      def blocks(node)
        Document::Schema::NODES.fetch(node["type"]).textblock? ? [] : node["content"] || []
      end

      def pairs(olds, news)
        same = Sequence.common(olds.map { |node| key(node) }, news.map { |node| key(node) }, @budget)
        gaps(same, olds, news).flat_map { |old_gap, new_gap| alike(old_gap, new_gap) } + same.map { |i, j| [ olds[i], news[j] ] }
      end

      def alike(olds, news)
        places = olds.each_with_index.with_object({}.compare_by_identity) { |(node, i), found| found[node] = i }
        matched = news.each_with_index.filter_map { |node, j| (i = places[@matching.old_of(node)]) && [ i, j ] }
        kept = Comparison.longest_increasing(matched.map(&:first)).map { |place| matched[place] }
        gaps(kept, olds, news).flat_map { |old_gap, new_gap| in_place(old_gap, new_gap) } + kept.map { |i, j| [ olds[i], news[j] ] }
      end

      def in_place(olds, news)
        places = olds.each_index.group_by { |i| sort(olds[i]) }
        place = 0
        news.filter_map do |node|
          at = sort(node) && places[sort(node)]&.bsearch { |i| i >= place } or next
          place = at + 1
          [ olds[at], node ]
        end
      end

      # @return [String, nil] what can stand for each other where they stand: containers, and blocks without words
      def sort(node)
        node["type"] unless Document::Schema::NODES.fetch(node["type"]).textblock? && !Document::Text.of(node).empty?
      end

      # What stands between the pairs on either side.
      def gaps(pairs, olds, news)
        [ [ -1, -1 ], *pairs, [ olds.size, news.size ] ].each_cons(2).map { |(i, j), (k, l)| [ olds[i + 1...k], news[j + 1...l] ] }
      end

      def key(node)
        @keys[node] ||= JSON.generate(Document::Ids.strip(node))
      end

      # What is left stands elsewhere than it did.
      def note_moved
        Document::Walk.blocks(@new).each do |node|
          old = @matching.old_of(node)
          note(old, node) if old && !@ids.key?(node)
        end
      end

      def note(old, node)
        id = old.dig("attrs", "id")
        @ids[node] = id if id && node.dig("attrs", "id").nil? && @taken.add?(id)
      end

      def inside(node)
        node["content"] ? node.merge("content" => node["content"].map { |child| with_id(child) }) : node
      end

      def with_id(node)
        return inside(node) unless @ids[node]

        { "type" => node["type"], "attrs" => { "id" => @ids[node] }.merge(node["attrs"] || {}) }.merge(inside(node).except("type", "attrs"))
      end
    end
  end
end
