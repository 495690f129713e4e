module Zuhause
  module Drafts
    # Which earlier states of a draft are worth keeping: all of the last hour, one for each ten minutes of the last day,
    # one for each day before, and never more than {MOST}.
    module Thinning
      MOST = 200
      HOUR, DAY = 3600, 86_400 # seconds
      STEP = 600

      module_function

      # @param times [Enumerable<Time>] when the states were saved
      # @param now [Time]
      # @return [Array<Time>] those to keep, newest first: of each stretch the newest one, and always the newest of all
      def kept(times, now:)
        times.sort.reverse.uniq { |time| stretch(time, now) }.first(MOST)
      end

      # What two states must share for one of them to do.
      def stretch(time, now)
        age = now - time
        return time if age < HOUR

        age < DAY ? [ :step, (time.to_f / STEP).floor ] : [ :day, (time.to_f / DAY).floor ]
      end
      private_class_method :stretch
    end
  end
end
