module Zuhause
  module Review
    # By whose right somebody may approve: their own, or that of somebody who is away and whom they stand in for.
    module Right
      # A person with the groups that they are in now.
      Someone = Struct.new(:id, :groups, keyword_init: true)

      module_function

      # @param someone [Someone] who would approve
      # @param rules [Rules] that hold for the page
      # @param asked [Array<Object>] ids of those who were asked by name; empty where all who may approve were
      # @param away [Array<Someone>] whom that person stands in for today
      # @param writers [Enumerable<Object>] ids of those whose changes the state holds
      # @return [Object, nil] the id of whoever's right it is, their own before another's; nil where their approval does not count
      def of(someone, rules:, asked: [], away: [], writers: [])
        return unless rules.counts_for?(someone.id, writers)

        [ someone, *away ].find { |one| asked?(one, asked) && rules.counts?(one.id, writers: writers, groups: one.groups.to_a) }&.id
      end

      # @return [Boolean] whether they look it over at all: see it and may send it back, whoever wrote it
      def looks_over?(someone, rules:, asked: [], away: [])
        [ someone, *away ].any? { |one| asked?(one, asked) && rules.may_approve?(one.id, groups: one.groups.to_a) }
      end

      def asked?(someone, asked)
        asked.empty? || asked.include?(someone.id)
      end
      private_class_method :asked?
    end
  end
end
