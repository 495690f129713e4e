module Zuhause
  module Freshness
    # How the pages of a room stand, taken together.
    class RoomHealth
      # @return [Integer] pages
      attr_reader :pages

      # @param healths [Enumerable<Health>] one of each page
      def initialize(healths)
        all = healths.to_a
        @pages = all.size
        @well = all.count(&:well?)
        @reasons = all.flat_map { |health| health.reasons.map(&:name) }.tally
        @aspects = all.flat_map { |health| health.reasons.map(&:aspect).uniq }.tally
      end

      # @return [Integer] pages with nothing to look at
      attr_reader :well

      # @return [Integer] pages with something of that aspect to look at
      def lacking(aspect)
        @aspects.fetch(aspect, 0)
      end

      # @return [Integer] pages for which that reason holds
      def with(name)
        @reasons.fetch(name, 0)
      end
    end
  end
end
