module Zuhause
  module Finding
    # Words that say little of what is sought, by language: how common they are in any text, whatever a house holds.
    module CommonWords
      FOLDER = File.expand_path("common_words", __dir__)
      # By line of the list: the part of sections in which such words stand.
      PARTS = [ 0.6, 0.2 ].freeze

      # @return [Hash{String=>Float}] by folded word
      ALL = Dir[File.join(FOLDER, "*.txt")].sort.each_with_object({}) do |path, found|
        lines = File.readlines(path, encoding: Encoding::UTF_8).reject { |line| line.start_with?("#") }
        lines.zip(PARTS).each { |line, part| Folding.words(line.gsub(/['’]/, " ")).each { |word| found[word] ||= part } }
      end.freeze

      module_function

      # @param word [String] folded
      # @return [Float] from 0, for words that are not common anywhere
      def part(word)
        ALL.fetch(word, 0.0)
      end

      # @return [Boolean] whether a word does nothing but hold others together
      def function?(word)
        part(word) >= PARTS.first
      end
    end
  end
end
