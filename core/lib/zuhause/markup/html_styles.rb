module Zuhause
  module Markup
    # What programs write into style attributes in place of elements.
    module HTMLStyles
      # Of each mark: the property, the value that sets it, and the one that takes the element's mark away.
      MARKS = {
        "strong" => [ "font-weight", /\A(?:bold|[6-9]00)/, /\A(?:normal|[1-4]00)/ ], "emphasis" => [ "font-style", /\Aitalic/, /\Anormal/ ],
        "underline" => [ "text-decoration", /underline/, /\Anone/ ], "strike" => [ "text-decoration", /line-through/, /\Anone/ ],
        "sub" => [ "vertical-align", /\Asub/, nil ], "sup" => [ "vertical-align", /\Asuper/, nil ]
      }.freeze

      module_function

      # @param style [String, nil] an attribute
      # @return [Hash{String=>String}] values by property, both in small letters
      def of(style)
        return {} unless style&.include?(":")

        style.downcase.split(";").each_with_object({}) do |declaration, found|
          name, value = declaration.split(":", 2)
          found[name.strip] = value.strip if value
        end
      end

      # @param names [Array<String>] marks that the element gives
      # @param styles [Hash{String=>String}]
      # @return [Array<String>] with those that its style sets, without those that it lifts
      def marked(names, styles)
        return names if styles.empty?

        MARKS.reduce(names) do |left, (name, (property, sets, lifts))|
          values = styles.filter_map { |key, value| value if key == property || key == "#{property}-line" }
          left += [ name ] if values.any? { |value| value.match?(sets) }
          lifts && values.any? { |value| value.match?(lifts) } ? left - [ name ] : left
        end
      end
    end
  end
end
