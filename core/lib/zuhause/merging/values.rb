module Zuhause
  module Merging
    # Values of which one can hold only: what a side changed holds; of two changes the one of the higher version, and the
    # other is told.
    class Values
      attr_reader :others

      # @param sides [Array(Side, Side)]
      # @param later [Integer]
      def initialize(sides, later)
        @sides, @later, @others = sides, later, []
      end

      # @param was [Object] what it was
      # @param is [Array(Object, Object)] what it is on either side
      def choose(was, is, id: nil, name: nil)
        return is[0] if is[1] == was || is[0] == is[1]
        return is[1] if is[0] == was

        others << Other.new(id, name, is[1 - @later], @sides[1 - @later].by)
        is[@later]
      end

      # What cannot be marked in the text.
      #
      # @param name [String] DOUBLE or KEPT
      def tell(id, name, value, by: nil)
        others << Other.new(id, name, value, by)
      end

      # @param was [Hash] attributes
      # @param is [Array(Hash, Hash)]
      # @return [Hash]
      def attrs(was, is, id)
        names = [ was, *is ].flat_map(&:keys).uniq
        names.to_h { |name| [ name, choose(was[name], is.map { |attrs| attrs[name] }, id: id, name: name) ] }.compact
      end
    end
  end
end
