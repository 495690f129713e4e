module Zuhause
  module Freshness
    # How a page stands: no number that nobody can account for, but the reasons to look at it, each with what would mend it.
    class Health
      # +name+: of Reasons::TABLE; +count+ [Integer, nil]: of what, where there can be several; +on+ [Date, nil]: since when, or which
      # day.
      Found = Struct.new(:name, :count, :on, keyword_init: true) do
        def aspect
          Reasons::TABLE.fetch(name).aspect
        end

        # @return [Array<Symbol>]
        def mends
          Reasons::TABLE.fetch(name).mends
        end
      end

      SOME = 300 # days in which nothing is unread, which is quickly told
      private_constant :SOME

      # @return [Array<Found>] in the order of the table
      attr_reader :reasons

      # @param facts [Facts]
      # @param today [Date]
      def initialize(facts, today:)
        @facts, @today = facts, today
        @reasons = [ overdue, outdated, unkept, unread, sources, inserts, asked, broken, gone, passed ].compact.freeze
      end

      def well?
        reasons.empty?
      end

      # @param aspect [Symbol] of Reasons::ASPECTS
      # @return [Boolean]
      def in_order?(aspect)
        reasons.none? { |reason| reason.aspect == aspect }
      end

      private

      attr_reader :facts, :today

      def overdue
        found(:overdue, on: facts.due_on) if Due.over?(facts.due_on, today)
      end

      def outdated
        found(:outdated) if facts.outdated
      end

      def unkept
        found(:unkept) unless facts.kept
      end

      # Whoever confirmed it has looked at it too.
      def unread
        last = facts.read_on && facts.read_on > facts.since ? facts.read_on : facts.since
        found(:unread, on: facts.read_on) if today.jd - last.jd > SOME && last <= today << Reasons::UNREAD
      end

      def sources
        counted(:sources, facts.sources)
      end

      def inserts
        counted(:inserts, facts.inserts)
      end

      def asked
        count = facts.questions + facts.unhelped
        found(:asked, count: count) if count >= Reasons::ASKED
      end

      def broken
        counted(:broken, facts.broken)
      end

      def gone
        counted(:gone, facts.gone)
      end

      # Days that lay ahead when somebody last confirmed the text, and are over.
      def passed
        return if facts.days.empty?

        over = facts.days.select { |day| day >= facts.since && day < today }.uniq
        found(:passed, count: over.size, on: over.min) if over.any?
      end

      def counted(name, count)
        found(name, count: count) if count.positive?
      end

      def found(name, **more)
        Found.new(name: name, **more)
      end
    end
  end
end
