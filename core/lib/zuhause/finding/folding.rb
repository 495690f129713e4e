require "mittens"

module Zuhause
  module Finding
    # Words as they are compared: case and accents aside, as the full-text index folds them (unicode61, remove_diacritics 2), and
    # by their stems in the languages that are known (the Snowball stemmers, Porter 2001).
    module Folding
      LANGUAGES = { english: "e", german: "g" }.freeze
      # Written without umlauts: the same stem as with them.
      WRITTEN_OUT = { "ae" => "a", "oe" => "o", "ue" => "u", "ß" => "ss" }.freeze
      LONGEST = 40 # letters of a word that is stemmed
      # Forms that no rule connects, each with the word that it is a form of.
      IRREGULAR = File.readlines(File.expand_path("irregular.txt", __dir__), chomp: true).reject { |line| line.start_with?("#") }
                      .each_with_object({}) { |line, found| line.split.then { |word, *forms| forms.each { |form| found[form] = word } } }.freeze

      module_function

      # Letters that may bear accents, and those by themselves; taking texts apart for them takes time.
      ACCENTED = /[\u00C0-\u058F\u1E00-\u1FFF]/

      # @param word [String] or a text
      # @return [String]
      def fold(word)
        return word.downcase if word.ascii_only? || !word.match?(ACCENTED)

        word.unicode_normalize(:nfd).gsub(/\p{M}/, "").downcase
      end

      # @param text [String]
      # @return [Array<String>] its words, folded
      def words(text)
        fold(text).scan(Query::WORD)
      end

      # Two words with a key in common are forms of one word, in one of the languages at least.
      #
      # @param word [String] folded
      # @return [Array<String>] a key for each language
      def keys(word)
        return LANGUAGES.values.map { |letter| letter + word } if word.length > LONGEST || word.match?(/\d/)

        LANGUAGES.map { |language, letter| letter + stem(word, language) }
      end

      def stem(word, language)
        word = IRREGULAR.fetch(word, word) if language == :english
        stemmed = stemmers.fetch(language).stem(word)
        language == :german ? stemmed.gsub(/ae|oe|ue|ß/, WRITTEN_OUT) : stemmed
      end
      private_class_method :stem

      # A stemmer is for one thread.
      def stemmers
        Thread.current[:zuhause_stemmers] ||= LANGUAGES.keys.to_h { |language| [ language, Mittens::Stemmer.new(language: language.to_s) ] }
      end
      private_class_method :stemmers
    end
  end
end
