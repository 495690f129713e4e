require "date"

module Zuhause
  module Freshness
    # By when a page is to be checked, and when who keeps it is told so.
    module Due
      MONTHS = (1..120).freeze # between two checks
      AHEAD = 14 # days before it is due
      LATE = 14 # days after it was due

      # In the order in which they come.
      STAGES = %i[ahead due late].freeze

      module_function

      # @param since [Date] on which somebody last confirmed what the page says
      # @param months [Integer, nil] nil where it need not be checked
      # @return [Date, nil] the last day on which it is not overdue; a day that a month lacks is its last
      def on(since, months)
        months && since >> months
      end

      # @return [Boolean]
      def over?(due_on, today)
        !due_on.nil? && due_on < today
      end

      # @return [Boolean] whether it is to be checked within the days in which one is told ahead
      def near?(due_on, today)
        !due_on.nil? && !over?(due_on, today) && due_on <= today + AHEAD
      end

      # What is to be told on a day: the latest of what has become due and was not told. What came before it is not told any more.
      #
      # @param told [Symbol, nil] of {STAGES}, what was told of this day last
      # @return [Symbol, nil] of {STAGES}
      def stage(due_on, today, told: nil)
        return if due_on.nil? || today < due_on - AHEAD

        stage = if today >= due_on + LATE then :late
        elsif today >= due_on then :due
        else :ahead
        end
        stage unless told && STAGES.index(told) >= STAGES.index(stage)
      end
    end
  end
end
