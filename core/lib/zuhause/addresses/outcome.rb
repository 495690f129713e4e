module Zuhause
  module Addresses
    # What came of asking for an address. +state+ is one of STATES; +moved_to+ where it leads for good.
    Outcome = Struct.new(:state, :moved_to, keyword_init: true) do
      # @return [Boolean] whether it counts as a failure, after which it is left alone for longer
      def fails?
        state == :silent
      end
    end

    # works; moved for good; gone; silent, not answering; barred, the site asks not to be visited by programs; inward, not
    # checked by rule.
    STATES = %i[unchecked works moved gone silent barred inward].freeze
    FARTHEST = 5 # redirections
    PERMANENT = [ 301, 308 ].freeze # RFC 9110, 15.4
    REDIRECTING = [ *PERMANENT, 302, 303, 307 ].freeze
    GONE = [ 404, 410 ].freeze
    # What answers and shows nothing without signing in, or to programs, is there.
    CLOSED = [ 401, 402, 403, 405, 406, 451 ].freeze

    # One answer: a status, and where it sends one.
    Answer = Struct.new(:status, :location, keyword_init: true)

    module_function

    # Follows an address as far as it leads.
    #
    # @param address [String]
    # @yieldparam uri [URI::HTTP] that is to be asked for
    # @yieldreturn [Answer, Symbol] :silent, :barred or :inward if it was not asked for, or did not answer
    # @return [Outcome]
    def follow(address)
      uri, for_good, met = askable(address), true, []
      (FARTHEST + 1).times do
        return Outcome.new(state: :inward) unless uri
        return Outcome.new(state: :silent) if met.include?(uri.to_s)

        met << uri.to_s
        answer = yield uri
        return Outcome.new(state: answer) if answer.is_a?(Symbol)
        return judged(answer.status, uri, address, for_good) unless REDIRECTING.include?(answer.status) && answer.location

        for_good &&= PERMANENT.include?(answer.status)
        uri = onward(uri, answer.location)
      end
      Outcome.new(state: :silent)
    end

    def onward(uri, location)
      askable(URI.join(uri.to_s, location).to_s)
    rescue URI::Error
      nil
    end
    private_class_method :onward

    def judged(status, uri, address, for_good)
      return Outcome.new(state: :gone) if GONE.include?(status)
      return Outcome.new(state: :silent) unless (200..299).cover?(status) || CLOSED.include?(status)
      return Outcome.new(state: :works) if uri.to_s == address || !for_good

      Outcome.new(state: :moved, moved_to: uri.to_s)
    end
    private_class_method :judged
  end
end
