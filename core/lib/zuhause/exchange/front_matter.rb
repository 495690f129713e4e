require "yaml"

module Zuhause
  module Exchange
    # What a Markdown file says of itself before its text: between lines of three hyphens in YAML 1.1, or of three plus signs in TOML,
    # of which only the words of a title and a language are read.
    class FrontMatter
      FORM = /\A(?:---[ \t]*\n(?<yaml>.*?)^(?:---|\.\.\.)[ \t]*(?:\n|\z)|\+\+\+[ \t]*\n(?<toml>.*?)^\+\+\+[ \t]*(?:\n|\z))/m
      LARGEST = 20_000 # characters; what is longer is no more than a text between lines
      LINE = /^(?<name>[A-Za-z][\w-]*)[ \t]*[:=][ \t]*(?<value>.*)$/
      LANGUAGES = %w[language lang].freeze

      # @return [String] the text without it
      attr_reader :text

      # @param markdown [String] with line ends of any kind
      def initialize(markdown)
        markdown = markdown.gsub(/\r\n?/, "\n")
        match = FORM.match(markdown)
        match = nil if match && (match[0].length > LARGEST || !said(match[:yaml] || match[:toml]))
        @values = match ? values(match) : {}
        @text = match ? match.post_match : markdown
      end

      # @return [String, nil]
      def title
        word("title")
      end

      # @return [String, nil] a tag of BCP 47, as it stands there
      def language
        LANGUAGES.filter_map { |name| word(name) }.first
      end

      # @return [Array<String>] names and values of all else that it says
      def rest
        @values.reject { |name, value| [ "title", *LANGUAGES ].include?(name) || value.nil? || value == "" }.map { |name, value| "#{name}: #{value.is_a?(Array) ? value.join(", ") : value}" }
      end

      private

      # A line across the page, a text and another line are none.
      def said(inner)
        inner.strip.empty? || inner.match?(LINE)
      end

      def values(match)
        loaded = match[:yaml] ? YAML.safe_load(match[:yaml], permitted_classes: [ Date, Time ]) : nil
        loaded.is_a?(Hash) ? loaded.transform_keys(&:to_s) : by_lines(match[:yaml] || match[:toml])
      rescue Psych::Exception
        by_lines(match[:yaml])
      end

      def by_lines(inner)
        inner.scan(LINE).to_h { |name, value| [ name, value.strip.gsub(/\A["']|["']\z/, "") ] }
      end

      def word(name)
        value = @values[name]
        value.to_s if (value.is_a?(String) || value.is_a?(Numeric)) && !value.to_s.strip.empty?
      end
    end
  end
end
