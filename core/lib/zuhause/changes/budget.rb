module Zuhause
  module Changes
    # How much may be compared with each other in one comparison, whatever the texts are: once it is spent, what is left counts
    # as removed and added whole.
    class Budget
      MOST = 4_000_000 # pairs of words or blocks

      # @param most [Integer]
      def initialize(most = MOST)
        @left = most
        @refused = false
      end

      # @param pairs [Integer] that somebody wants to compare
      # @return [Boolean] whether that may be done; it counts as done then
      def spend(pairs)
        if pairs > @left
          @refused = true
          return false
        end

        @left -= pairs
        true
      end

      # @return [Boolean] whether something was not compared for that
      def refused?
        @refused
      end
    end
  end
end
