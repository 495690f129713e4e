module Zuhause
  module Document
    # An attribute of a node or a mark: the value it has when nothing is written, and what may be written.
    Attr = Struct.new(:default, :allows, keyword_init: true) do
      def allows?(value)
        value == default || allows.call(value)
      end

      class << self
        def boolean(default)
          new(default: default, allows: ->(v) { [ true, false ].include?(v) })
        end

        # @param pattern [Regexp]
        def matching(pattern, default: nil)
          new(default: default, allows: ->(v) { v.is_a?(String) && v.match?(pattern) })
        end

        def one_of(values, default:)
          new(default: default, allows: ->(v) { values.include?(v) })
        end

        # @param range [Range<Integer>]
        def whole(range, default:)
          new(default: default, allows: ->(v) { v.is_a?(Integer) && range.cover?(v) })
        end

        # What a link may lead to; {Normal} takes it only if it is one.
        def address
          new(default: nil, allows: ->(v) { v.is_a?(String) && v.valid_encoding? && v.length <= Schema::LONGEST_ADDRESS })
        end

        # Words in one line.
        def words(default)
          new(default: default, allows: ->(v) { v.is_a?(String) && v.valid_encoding? && v.length <= Schema::LONGEST_NAME && !v.match?(/[[:cntrl:]]/) })
        end

        # Whole numbers, as the widths of what a cell spans.
        def wholes(range, most)
          new(default: nil, allows: ->(v) { v.is_a?(Array) && v.size.between?(1, most) && v.all? { |each| each.is_a?(Integer) && range.cover?(each) } })
        end
      end
    end
  end
end
