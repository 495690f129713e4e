module Zuhause
  module Freshness
    # What is known of a page, as far as whoever asks may know it: plain values.
    #
    # +due_on+ [Date, nil]; +since+ [Date] on which somebody last confirmed what it says; +outdated+ [Boolean] marked as out of
    # date; +kept+ [Boolean] whether somebody active keeps it; +there_since+ [Date] from when on it could be read, and +read_on+
    # [Date, nil] when somebody read it last; +sources+ and +inserts+ [Integer] works that it cites and pages it shows that have
    # changed since; +questions+ [Integer] that wait for an answer, and +unhelped+ [Integer] readers whom it did not help since;
    # +broken+ and +gone+ [Integer] links inside the house and addresses of other sites that lead nowhere; +days+ [Array<Date>]
    # that its text names.
    Facts = Struct.new(:due_on, :since, :outdated, :kept, :there_since, :read_on, :sources, :inserts, :questions, :unhelped, :broken, :gone, :days, keyword_init: true) do
      # @return [Facts] of a page of which nothing is known that gives reason to look at it
      def self.fine(since:, **known)
        new(due_on: nil, since: since, outdated: false, kept: true, there_since: since, read_on: since, sources: 0, inserts: 0, questions: 0, unhelped: 0, broken: 0, gone: 0, days: [], **known)
      end
    end
  end
end
