module Zuhause
  module Exchange
    # Which backups are worth keeping: all of the day that ends with the newest, and the newest of each of the last {DAYS} days,
    # {WEEKS} weeks and {MONTHS} months that have one.
    module Generations
      DAYS, WEEKS, MONTHS = 7, 4, 12
      DAY = 86_400 # seconds
      STRETCHES = { DAYS => "%F", WEEKS => "%G-%V", MONTHS => "%Y-%m" }.freeze # ISO 8601
      private_constant :STRETCHES

      module_function

      # @param times [Enumerable<Time>] when the backups were made
      # @return [Array<Time>] those to keep, newest first
      def kept(times)
        newest_first = times.sort.reverse
        of_today = newest_first.take_while { |time| newest_first.first - time < DAY }
        of_stretches = STRETCHES.flat_map { |most, form| newest_first.uniq { |time| time.getutc.strftime(form) }.first(most) }
        (of_today + of_stretches).uniq.sort.reverse
      end
    end
  end
end
