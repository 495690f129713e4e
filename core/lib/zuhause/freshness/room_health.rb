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
        @aspects = Reasons::ASPECTS.to_h { |aspect| [ aspect, all.count { |health| !health.in_order?(aspect) } ] }
        @reasons = Reasons::TABLE.keys.to_h { |name| [ name, all.count { |health| health.reasons.any? { |reason| reason.name == name } } ] }
      end

      # @return [Integer] pages with nothing to look at
      attr_reader :well

      # @return [Integer] pages with something of that aspect to look at
      def lacking(aspect)
        @aspects.fetch(aspect)
      end

      # @return [Integer] pages for which that reason holds
      def with(name)
        @reasons.fetch(name)
      end
    end
  end
end
