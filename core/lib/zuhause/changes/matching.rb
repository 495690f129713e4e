module Zuhause
  module Changes
    # Which block of an old document is which of a new one. Blocks with the same id and type are the same; of the rest,
    # those with equal content; of the rest, those whose words are mostly the same.
    class Matching
      ALIKE = 0.5 # share of words in common from which two blocks are one, changed
      MOST = 1_000_000 # words looked up in other blocks; if it were more, the rest counts as removed and added

      Place = Struct.new(:node, :parent, :index)

      # @param old [Hash] a document in normal form
      # @param new [Hash] another
      def initialize(old, new)
        @budget = Budget.new(MOST)
        @old = places(old)
        @new = places(new)
        @partner = {}.compare_by_identity
        @taken = {}.compare_by_identity
        pair(old, new)
        match_by { |node| id = node.dig("attrs", "id") and [ node["type"], id ] }
        match_by { |node| content_key(node) }
        match_alike
        match_around
        match_cells
      end

      # @return [Boolean] whether there was too much to tell which blocks are alike
      def bounded?
        @budget.refused?
      end

      # @param node [Hash] a block of the new document, or the document
      # @return [Hash, nil] the block of the old one that it was
      def old_of(node)
        @partner[node]
      end

      # @param node [Hash] a block of the old document
      def kept?(node)
        @taken.key?(node)
      end

      # @param node [Hash] a block of the old document
      # @return [Place] where it stood
      def old_place(node)
        @old_places ||= @old.each_with_object({}.compare_by_identity) { |place, places| places[place.node] = place }
        @old_places[node]
      end

      private

      def places(doc)
        Document::Walk.each(doc).flat_map do |node, _ancestors|
          next [] if Document::Schema::NODES.fetch(node["type"]).textblock?

          (node["content"] || []).each_with_index.map { |child, i| Place.new(child, node, i) }
        end
      end

      def pair(old, new)
        @partner[new] = old
        @taken[old] = new
      end

      def open_old
        @old.map(&:node).reject { |node| @taken.key?(node) }
      end

      def open_new
        @new.map(&:node).reject { |node| @partner.key?(node) }
      end

      def match_by(&key)
        by_key = open_old.group_by(&key)
        open_new.each do |node|
          value = key.call(node)
          old = value && by_key[value]&.shift
          pair(old, node) if old
        end
      end

      def content_key(node)
        bare = Document::Ids.strip(node)
        JSON.generate(bare) unless Document::Text.of(node).empty?
      end

      def match_alike
        old_words, new_words = [ open_old, open_new ].map { |nodes| nodes.map { |node| [ node, words(node) ] }.reject { |_node, words| words.empty? } }
        return unless @budget.spend(old_words.size * new_words.sum { |_node, words| words.size })

        pairs = new_words.flat_map do |node, words|
          old_words.filter_map { |old, others| old["type"] == node["type"] && (likeness = likeness(words, others)) >= ALIKE && [ likeness, node, old ] }
        end
        pairs.sort_by.with_index { |(likeness, _n, _o), i| [ -likeness, i ] }.each do |_l, node, old|
          pair(old, node) unless @partner.key?(node) || @taken.key?(old)
        end
      end

      # A container is the one that most of its blocks were in.
      def match_around
        parents = @old.each_with_object({}.compare_by_identity) { |place, found| found[place.node] = place.parent }
        open_new.reverse_each do |node|
          next if Document::Schema::NODES.fetch(node["type"]).textblock?

          from = (node["content"] || []).filter_map { |child| (old = @partner[child]) && parents[old] }
          old, = from.group_by(&:object_id).values.max_by(&:size)
          pair(old, node) if old && old["type"] == node["type"] && !@taken.key?(old)
        end
      end

      # Rows of one table, and cells of one row, that are still open are told by where they stand.
      def match_cells
        @new.map(&:node).select { |node| %w[table row].include?(node["type"]) }.each do |node|
          old = @partner[node] or next
          left = old["content"].reject { |child| @taken.key?(child) }
          node["content"].reject { |child| @partner.key?(child) }.each do |child|
            at = left.index { |other| other["type"] == child["type"] } or next
            pair(left.delete_at(at), child)
          end
        end
      end

      def words(node)
        Document::Text.of(node).downcase.scan(/[\p{L}\p{M}\p{N}]+/).tally
      end

      # Dice's coefficient over the words, each counted as often as it stands there.
      def likeness(one, other)
        common = one.sum { |word, count| [ count, other.fetch(word, 0) ].min }
        2.0 * common / (one.values.sum + other.values.sum)
      end
    end
  end
end
