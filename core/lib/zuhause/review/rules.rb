module Zuhause
  module Review
    # What a place asks for before a page in it is published.
    class Rules
      LONGEST_PROMPT = 500 # characters

      attr_reader :approvers, :needed

      # @param approvers [Array<Access::Holder>] people and groups who may approve
      # @param needed [Integer] how many of them it takes, from 1
      # @param own [Boolean] whether somebody counts whose changes the state holds
      # @param small [Boolean] whether changes that are said to be small are published without
      def initialize(approvers:, needed: 1, own: false, small: true)
        @approvers, @needed, @own, @small = approvers, [ needed.to_i, 1 ].max, own, small
      end

      # The rules nearest to a page hold: its own, those of a page above it, those of its room.
      #
      # @param path [Array<Rules, nil>] from the page up to its room
      # @return [Rules, nil] nil where nobody asks for a review
      def self.nearest(path)
        path.compact.first
      end

      # @param person [Object] an id
      # @param groups [Array<Object>] ids of the groups that person is in
      # @return [Boolean]
      def may_approve?(person, groups: [])
        approvers.any? { |holder| holder.kind == :person ? holder.id == person : holder.kind == :group && groups.include?(holder.id) }
      end

      # @param writers [Enumerable<Object>] ids of those whose changes a state holds
      # @return [Boolean] whether an approval of that person counts
      def counts?(person, writers:, groups: [])
        may_approve?(person, groups: groups) && counts_for?(person, writers)
      end

      # @return [Boolean] whether that person may count for a state with changes of those writers
      def counts_for?(person, writers)
        @own || !writers.include?(person)
      end

      def small?
        @small
      end
    end
  end
end
