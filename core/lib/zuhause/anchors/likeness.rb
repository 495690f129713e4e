module Zuhause
  module Anchors
    # Where a text says nearly what was quoted: the stretch of words with the fewest words put in, left out or changed (Sellers,
    # "The theory and computation of evolutionary distances", 1980, over words).
    class Likeness
      WORD = /[\p{L}\p{M}\p{N}]+/
      SHORTEST = 2 # words; of fewer nothing can be said
      FARTHEST = 0.5 # of the quote's words that may be others
      APART = 1 # so many words the next best must be worse
      MOST_WORDS = 200 # of a quote that are compared
      MOST_BLOCKS = 40 # that are looked at, those that share most words first

      Match = Struct.new(:cost, :from, :upto, :own)

      # @param anchor [Anchor]
      # @param text [PageText]
      def initialize(anchor, text)
        @anchor, @text = anchor, text
        @quote = words(anchor.exact).map(&:first).first(MOST_WORDS)
      end

      # @return [Array<Anchor>] the likeliest; several if they are as likely
      def found
        return [] if @quote.size < SHORTEST

        matches = blocks.filter_map { |block| match(block) }.sort_by { |match| [ match.cost, match.own ? 0 : 1 ] }
        best = matches.first or return []

        matches.select { |match| match.cost - best.cost < APART && match.own == best.own }.map { |match| @text.anchor_at(match.from, match.upto - match.from) }
      end

      private

      def words(text)
        text.to_enum(:scan, WORD).map { [ Regexp.last_match[0].downcase, Regexp.last_match.begin(0), Regexp.last_match.end(0) ] }
      end

      # Its own, and those that share at least half of its words.
      def blocks
        wanted = @quote.tally
        shared = @text.blocks.to_h { |block| [ block, words_of(block).map(&:first).tally.sum { |word, times| [ times, wanted.fetch(word, 0) ].min } ] }
        likely = shared.select { |block, number| block.id == @anchor.block || number >= (@quote.size * (1 - FARTHEST)).ceil }.keys
        likely.max_by(MOST_BLOCKS) { |block| [ block.id == @anchor.block ? 1 : 0, shared[block] ] }
      end

      def words_of(block)
        (@words ||= {})[block] ||= words(block.text)
      end

      # @return [Match, nil] the best stretch of the block
      def match(block)
        stretch = words_of(block)
        cost, from, upto = sellers(stretch.map(&:first))
        return unless cost && cost <= @quote.size * FARTHEST && from < upto

        Match.new(cost, block.from + stretch[from][1], block.from + stretch[upto - 1][2], block.id == @anchor.block)
      end

      # The distance of the quote to any stretch that ends at each word, with where that begins.
      def sellers(text)
        column = Array.new(@quote.size + 1) { |i| [ i, 0 ] }
        best = [ column.last[0], 0, 0 ]
        text.each_with_index do |word, at|
          previous, column[0] = column[0], [ 0, at + 1 ]
          @quote.each_index do |i|
            here = [ previous[0] + (@quote[i] == word ? 0 : 1), i.zero? ? at : previous[1] ]
            left, above = column[i + 1], column[i]
            previous = left
            column[i + 1] = [ here, [ left[0] + 1, left[1] ], [ above[0] + 1, above[1] ] ].min_by(&:first)
          end
          best = [ column.last[0], column.last[1], at + 1 ] if column.last[0] <= best[0] # a word that was changed belongs to it
        end
        best
      end
    end
  end
end
