module Zuhause
  module Access
    # What of a page somebody sees: :nothing, :edition, or :draft (and the edition with it). Every door asks this.
    module Sight
      ORDER = %i[nothing edition draft].freeze

      # What gives a sight: a level, and where it does not do by itself, what the page or the viewer must be besides.
      Rule = Struct.new(:sight, :level, :published, :binned, :reviewer, keyword_init: true) do
        def holds?(level, **page)
          Level.at_least?(level, self.level) && %i[published binned reviewer].all? { |fact| self[fact].nil? || self[fact] == page[fact] }
        end
      end

      # The one statement of what is seen; the application makes its queries of it. The highest sight comes first.
      RULES = [
        Rule.new(sight: :draft, level: :write),
        Rule.new(sight: :draft, level: :read, reviewer: true),
        Rule.new(sight: :edition, level: :read, published: true, binned: false)
      ].freeze

      module_function

      # @param level [Symbol] the viewer's level on the page
      # @param published [Boolean] whether it has an edition
      # @param binned [Boolean] whether it is in the bin
      # @param reviewer [Boolean] whether a review is open and names the viewer
      # @return [Symbol] one of {ORDER}
      def of(level, published:, binned: false, reviewer: false)
        RULES.find { |rule| rule.holds?(level, published: published, binned: binned, reviewer: reviewer) }&.sight || :nothing
      end

      # @param sight [Symbol]
      # @return [Array<Rule>] those that give it, or more
      def giving(sight)
        RULES.select { |rule| at_least?(rule.sight, sight) }
      end

      def at_least?(sight, needed)
        ORDER.index(sight) >= ORDER.index(needed)
      end
    end
  end
end
