module Zuhause
  module Document
    # What may stand inside a node: names of types or groups, and how many of them.
    Content = Struct.new(:names, :min, :max, keyword_init: true) do
      # @param expression [String] one term such as "block+", "(header_cell|cell)+" or "column{2,3}", written as the
      #   editor's library writes it, so that both sides can share it
      def self.parse(expression)
        return new(names: [], min: 0, max: 0) if expression.empty?

        names, quantity = expression.match(/\A\(?([a-z_|]+)\)?(\+|\*|\{\d+,\d+\})\z/).captures
        min, max = { "+" => [ 1, nil ], "*" => [ 0, nil ] }[quantity] || quantity.scan(/\d+/).map(&:to_i)
        new(names: names.split("|"), min: min, max: max)
      end
    end
  end
end
