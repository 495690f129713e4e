module Zuhause
  module Markup
    # Colours as styles give them (CSS Color 4), told by what they are called here.
    module HTMLColours
      NAMED = { "yellow" => [ 255, 255, 0 ], "gold" => [ 255, 215, 0 ], "orange" => [ 255, 165, 0 ], "lime" => [ 0, 255, 0 ], "green" => [ 0, 128, 0 ], "aqua" => [ 0, 255, 255 ],
                "cyan" => [ 0, 255, 255 ], "blue" => [ 0, 0, 255 ], "teal" => [ 0, 128, 128 ], "fuchsia" => [ 255, 0, 255 ], "magenta" => [ 255, 0, 255 ], "red" => [ 255, 0, 0 ] }.freeze
      VIVID = 0.4 # of the way from grey to a pure colour: what is paler is a ground, not a mark
      # Where on the circle of hues each begins, in degrees.
      TONES = { 0 => "brick", 25 => "ochre", 75 => "moss", 160 => "petrol", 265 => "brick" }.freeze

      module_function

      # @param value [String, nil] of a property, in small letters
      # @return [String, nil] one of Document::Schema::COLOURS; nil for none, and for greys and pale ones
      def tone(value)
        red, green, blue = rgb(value.to_s)
        return unless blue

        high, low = [ red, green, blue ].max, [ red, green, blue ].min
        TONES.select { |from, _tone| from <= hue(red, green, blue, high, high - low) }.values.last if high - low >= VIVID * 255
      end

      def rgb(value)
        case value
        when /\A#(\h)(\h)(\h)\b/ then $~.captures.map { |digit| (digit * 2).hex }
        when /\A#(\h\h)(\h\h)(\h\h)(?:ff)?\b/ then $~.captures.map(&:hex)
        when /\Argba?\(\s*(\d{1,3})\s*[,\s]\s*(\d{1,3})\s*[,\s]\s*(\d{1,3})\s*(?:[,\/]\s*1(?:\.0*)?\s*)?\)/ then $~.captures.map { |number| [ number.to_i, 255 ].min }
        else NAMED[value[/\A[a-z]+/]]
        end
      end
      private_class_method :rgb

      def hue(red, green, blue, high, range)
        turn = if high == red then ((green - blue) / range.to_f) % 6
        elsif high == green then ((blue - red) / range.to_f) + 2
        else ((red - green) / range.to_f) + 4
        end
        turn * 60
      end
      private_class_method :hue
    end
  end
end
