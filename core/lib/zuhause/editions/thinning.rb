module Zuhause
  module Editions
    # Which editions of a page are kept where its room does not keep all: those of the last months, and of those before that the
    # last of each month.
    module Thinning
      module_function

      # @param editions [Hash{Integer=>Time}] when each was published, by number
      # @param after [Integer] months
      # @param needed [Enumerable<Integer>] numbers of those that something still refers to
      # @return [Array<Integer>] numbers of those that can go
      def spare(editions, after:, now:, needed: [])
        old = editions.select { |_number, time| time.to_date < (now.to_date << after) }
        last = old.group_by { |_number, time| [ time.year, time.month ] }.map { |_month, pairs| pairs.max_by(&:first).first }
        old.keys - last - needed.to_a
      end
    end
  end
end
