module Zuhause
  # Who may see and do what. The rules are told in docs/access.md; everything here follows them in that order.
  module Access
    # The levels of access, each of which includes those before it.
    module Level
      ORDER = %i[none read comment write keep].freeze

      module_function

      # @param level [Symbol] one of {ORDER}
      # @return [Integer] its rank, 0 for none
      # @raise [ArgumentError] for anything else
      def rank(level)
        ORDER.index(level) or raise ArgumentError, "no level #{level.inspect}"
      end

      def at_least?(level, needed)
        rank(level) >= rank(needed)
      end

      def lower(one, other)
        rank(one) <= rank(other) ? one : other
      end

      def higher(one, other)
        rank(one) >= rank(other) ? one : other
      end
    end
  end
end
