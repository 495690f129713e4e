module Zuhause
  module Review
    # That +person+ (an id, who is or is not +active+) approved the state with that +digest+, by the right of +authority+ (an id:
    # their own, or that of somebody they stood in for), who is in +groups+ now.
    Approval = Struct.new(:person, :digest, :groups, :active, :authority, keyword_init: true) do
      # @param rules [Rules]
      # @param digest [String] of the state that is to be published
      # @param writers [Enumerable<Object>] ids of those whose changes it holds
      # @return [Boolean] whether it holds for that state, by the rules as they are now
      def holds?(rules, digest:, writers:)
        active != false && self.digest == digest && rules.counts_for?(person, writers) && rules.counts?(authority || person, writers: writers, groups: groups.to_a)
      end
    end
  end
end
