module Zuhause
  module Links
    # When two titles are the same one: whatever their case, accents, hyphens and spaces, and whether they are in the plural.
    # The ends of words are taken off by a few rules of English, or of German where the text is German (after the first step
    # of Porter, "An algorithm for suffix stripping", 1980, and the Snowball stemmer for German); no dictionary is asked.
    module Promised
      VERSION = 1 # of these rules: with another, what was worked out by them is worked out anew

      ENGLISH = [ [ /(?<=..)ies\z/, "y" ], [ /(?<=ss|x|z|ch|sh)es\z/, "" ], [ /(?<=..[^sui])s\z/, "" ] ].freeze
      GERMAN = [ [ /(?<=...)(?:innen|ern|en|er|e|(?<=[aioy])s)\z/, "" ] ].freeze
      RULES = { "de" => GERMAN }.freeze
      LANGUAGES = RULES.keys.freeze # with rules of their own
      LETTERS = { "ß" => "ss", "æ" => "ae", "œ" => "oe", "ø" => "o", "ł" => "l", "đ" => "d" }.freeze
      WORD = /[\p{L}\p{N}]+/
      private_constant :ENGLISH, :GERMAN, :RULES, :LETTERS, :WORD

      module_function

      # @param title [String]
      # @param language [String, nil] of the text that it stands in, a code of two letters
      # @return [String] equal for titles that are the same one
      def key(title, language = nil)
        plain = Document::Title.clean(title).unicode_normalize(:nfkc).downcase(:fold)
        words = without_accents(plain.delete("'’")).scan(WORD).map { |word| singular(word, language) }
        words.empty? ? plain : words.join
      end

      # @param title [String] of a page
      # @return [Hash{String, nil=>String}] the keys under which it may have been promised, by the language of the text
      def keys(title)
        [ nil, *LANGUAGES ].to_h { |language| [ language, key(title, language) ] }
      end

      # @param language [String, nil]
      # @return [String, nil] the language by whose rules such a text is compared, nil for the usual ones
      def rules_of(language)
        language if RULES.key?(language)
      end

      def without_accents(text)
        text.unicode_normalize(:nfkd).gsub(/\p{M}/, "").gsub(/[ßæœøłđ]/, LETTERS)
      end
      private_class_method :without_accents

      def singular(word, language)
        RULES.fetch(language, ENGLISH).reduce(word) { |text, (ending, put)| text.match?(ending) ? (break text.sub(ending, put)) : text }
      end
      private_class_method :singular
    end
  end
end
