module Zuhause
  module Freshness
    # Going through the pages of a room one after another, over as many days as it takes.
    class Round
      # What can be said of a page: that it is still correct, is being edited, is out of date, put aside, binned or joined to another.
      SAID = %w[correct edited outdated aside binned joined].freeze

      # @param order [Array<Object>] ids of the pages as the plan has them now
      # @param said [Hash{Object=>String}] of pages, also of such as are not there any more
      def initialize(order, said)
        @order, @said = order, said
      end

      # @return [Integer] pages that are there, and of how many something has been said
      def size
        @order.size
      end

      def done
        @order.count { |id| @said.key?(id) }
      end

      def over?
        done == size
      end

      # @param after [Object, nil] a page; nil for the beginning
      # @return [Object, nil] the next of which nothing has been said; from the end on it begins anew
      def next(after: nil)
        start = after ? @order.index(after).to_i + 1 : 0
        @order.rotate(start.clamp(0, @order.size)).find { |id| !@said.key?(id) && id != after } || (@order.find { |id| !@said.key?(id) })
      end

      # @return [Array(Object, Object)] the pages before and behind one, said or not; nil where there is none
      def beside(id)
        place = @order.index(id) or return [ nil, nil ]

        [ (@order[place - 1] if place.positive?), @order[place + 1] ]
      end
    end
  end
end
