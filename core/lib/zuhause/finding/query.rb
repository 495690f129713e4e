module Zuhause
  module Finding
    # What somebody typed into the find field, as words.
    class Query
      MOST_WORDS = 12
      LONGEST = 200
      WORD = /[\p{L}\p{M}\p{N}]+/

      # @return [Array<String>] the words to be found, at most {MOST_WORDS}
      attr_reader :words

      # @param text [Object] anything at all
      def initialize(text)
        text = Document::Normal.clean(text.to_s)[0, LONGEST]
        @unfinished = text.match?(/[\p{L}\p{M}\p{N}]\z/)
        @words = text.scan(WORD).first(MOST_WORDS)
      end

      # @return [Boolean] whether the last word may go on
      def unfinished?
        @unfinished
      end

      def blank?
        words.empty?
      end

      # @return [String] an FTS5 expression that finds all the words, the last one also as the beginning of a word.
      #   Every word is quoted, so nothing typed can be an operator.
      def to_fts5
        quoted = words.map { |word| %("#{word}") }
        quoted[-1] += "*" if @unfinished && quoted.any?
        quoted.join(" ")
      end
    end
  end
end
