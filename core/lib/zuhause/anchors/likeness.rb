module Zuhause
  module Anchors
    # Where a text says nearly what was quoted: the stretch of words with the fewest words put in, left out or changed (Sellers,
    # "The theory and computation of evolutionary distances", 1980, over words).
    class Likeness
      SHORTEST = 2 # words; of fewer nothing can be said
      FARTHEST = 0.5 # of the quote's words that may be others
      APART = 1 # so many words the next best must be worse
      MOST_WORDS = 200 # of a quote that are compared
      MOST_BLOCKS = 12 # that are looked at, those that share most words first

      # How much is compared for all the quotes of one text, in pairs of words: a fifth of a second. What is left then counts
      # as gone, and is looked for by its very words in the next state of the text.
      class Budget
        MOST = 150_000

        def initialize(most = MOST)
          @left = most
        end

        # @return [Boolean] whether so many more are within it
        def spend?(pairs)
          return false if pairs > @left

          @left -= pairs
          true
        end
      end

      Match = Struct.new(:cost, :from, :upto, :own)

      # @param anchor [Anchor]
      # @param text [PageText]
      # @param budget [Budget]
      def initialize(anchor, text, budget)
        @anchor, @text, @budget = anchor, text, budget
        @quote = PageText.words(anchor.exact).map(&:first).first(MOST_WORDS)
      end

      # @return [Array<Anchor>] the likeliest; several if they are as likely
      def found
        return [] if @quote.size < SHORTEST

        matches = blocks.filter_map { |block| match(block) }.sort_by { |match| [ match.cost, match.own ? 0 : 1 ] }
        best = matches.first or return []

        matches.select { |match| match.cost - best.cost < APART && match.own == best.own }.map { |match| @text.anchor_at(match.from, match.upto - match.from) }
      end

      private

      # Its own, and those that share at least half of its words.
      def blocks
        shared = @text.shared(@quote.tally)
        own = @text.block(@anchor.block)
        likely = shared.select { |_block, number| number >= (@quote.size * (1 - FARTHEST)).ceil }.keys
        ([ own ].compact | likely).max_by(MOST_BLOCKS) { |block| [ block.id == @anchor.block ? 1 : 0, shared.fetch(block, 0) ] }
      end

      # @return [Match, nil] the best stretch of the block
      def match(block)
        stretch = @text.words_of(block)
        return unless @budget.spend?(stretch.size * @quote.size)

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
