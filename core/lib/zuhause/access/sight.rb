module Zuhause
  module Access
    # What of a page somebody sees: :nothing, :edition, or :draft (and the edition with it). Every door asks this.
    module Sight
      ORDER = %i[nothing edition draft].freeze

      module_function

      # @param level [Symbol] the viewer's level on the page
      # @param published [Boolean] whether it has an edition
      # @param binned [Boolean] whether it is in the bin
      # @param reviewer [Boolean] whether a review is open and names the viewer
      # @return [Symbol] one of {ORDER}
      def of(level, published:, binned: false, reviewer: false)
        return :draft if Level.at_least?(level, :write)
        return :nothing unless Level.at_least?(level, :read)
        return :draft if reviewer

        published && !binned ? :edition : :nothing
      end

      def at_least?(sight, needed)
        ORDER.index(sight) >= ORDER.index(needed)
      end
    end
  end
end
