module Zuhause
  module Review
    # How a review stands: worked out from what is kept of it and from the rules, the draft and the people as they are now, so
    # that nothing has to be taken back by hand when those change.
    class Standing
      # What is kept of a review: +closed+ is nil while it is open, else :sent_back, :withdrawn, :published or :lapsed.
      Kept = Struct.new(:closed, :approvals, keyword_init: true)

      # @param kept [Kept, nil] of the page's newest review
      # @param rules [Rules, nil] that hold for the page now
      # @param digest [String] of its draft
      # @param writers [Enumerable<Object>] ids of those whose changes the draft holds
      # @param able [Integer, nil] how many people there are whose approvals count, given or not, where that is known
      def initialize(kept, rules:, digest:, writers: [], able: nil)
        @kept, @rules, @digest, @writers, @able = kept, rules, digest, writers.to_a, able
      end

      # @return [Symbol] :free (nothing is asked for), :unasked, :asked, :approved, :sent_back, :withdrawn, :published or :lapsed
      def state
        return @kept&.closed.nil? && @kept ? :lapsed : :free if @rules.nil?
        return :unasked unless @kept
        return @kept.closed if @kept.closed

        missing.zero? ? :approved : :asked
      end

      # @return [Integer] approvals that are still wanted
      def missing
        @rules ? [ @rules.needed - held.size, 0 ].max : 0
      end

      # @return [Array<Object>] ids of those whose approvals hold
      def held
        return [] unless @rules && @kept

        @kept.approvals.select { |approval| approval.holds?(@rules, digest: @digest, writers: @writers) }.map(&:person).uniq
      end

      # @return [Boolean] whether there are too few people left who could approve: somebody has to be told
      def stuck?
        state == :asked && !@able.nil? && @able < @rules.needed
      end

      # @param small [Boolean] whether the change is said to be small
      # @return [Boolean] whether the draft may become an edition
      def publishable?(small: false)
        %i[free approved lapsed].include?(state) || (small && @rules.small?)
      end
    end
  end
end
