module Zuhause
  module Changes
    # How much may be compared with each other in one comparison, whatever the texts are: once it is spent, what is left counts
    # as removed and added whole.
    class Budget
      MOST = 4_000_000 # pairs of words or blocks
      MOST_LETTERS = 400_000 # that are told apart word by word: beyond them stretch by stretch
      LONGEST = 60_000 # letters of one block on all sides, as above
      STRETCH = /.{1,100}/m

      # @param most [Integer]
      def initialize(most = MOST)
        @left = most
        @letters = MOST_LETTERS
        @refused = false
      end

      # @param pairs [Integer] that somebody wants to compare
      # @return [Boolean] whether that may be done; it counts as done then
      def spend(pairs)
        return refuse(false) if pairs > @left

        @left -= pairs
        true
      end

      # @param texts [Array<Array<Hash>>] the text of one block as it is on each side, in inline nodes
      # @param words [Regexp] what is a word
      # @return [Regexp] by what they are to be told apart
      def grain(texts, words)
        letters = texts.sum { |nodes| nodes.sum { |node| node["text"].to_s.length } }
        return refuse(STRETCH) if letters > [ LONGEST, @letters ].min

        @letters -= letters
        words
      end

      # @return [Boolean] whether something was not compared for that
      def refused?
        @refused
      end

      private

      def refuse(answer)
        @refused = true
        answer
      end
    end
  end
end
