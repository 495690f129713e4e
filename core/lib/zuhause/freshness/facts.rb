module Zuhause
  module Freshness
    # What is known of a page, as far as whoever asks may know it: plain values.
    #
    # +due_on+ [Date, nil]; +since+ [Date] on which somebody last confirmed what it says, which for a page that nobody has confirmed is
    # when it was published first; +outdated+ [Boolean] marked as out of date; +kept+ [Boolean] whether somebody active keeps it;
    # +read_on+ [Date, nil] when somebody read it last; +sources+ and +inserts+ [Integer] works that it cites and pages it shows that
    # have changed since; +questions+ [Integer] that wait for an answer, and +unhelped+ [Integer] readers whom it did not help since;
    # +broken+ and +gone+ [Integer] links inside the house and addresses of other sites that lead nowhere; +days+ [Array<Date>] that
    # its text names.
    Facts = Struct.new(:due_on, :since, :outdated, :kept, :read_on, :sources, :inserts, :questions, :unhelped, :broken, :gone, :days) do
      # @return [Facts] of a page of which nothing is known that gives reason to look at it, but for what is told
      def self.fine(since:, **known)
        new(nil, since, false, true, since, 0, 0, 0, 0, 0, 0, []).tap { |facts| known.each { |name, value| facts[name] = value } }
      end
    end
  end
end
