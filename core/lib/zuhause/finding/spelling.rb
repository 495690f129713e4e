module Zuhause
  module Finding
    # Whether a word is another one with a slip of the finger: a letter too many, too few, wrong, or two changed over.
    module Spelling
      module_function

      # @param typed [String]
      # @return [Integer] slips forgiven: none in short words, one from four letters, two from eight
      def allowed(typed)
        return 0 if typed.length < 4

        typed.length < 8 ? 1 : 2
      end

      # @param typed [String] both in the form of {Document::Title.normalise}
      # @param word [String]
      # @return [Boolean] whether the word begins with what was typed, or is it but for the slips allowed
      def match?(typed, word)
        return true if word.start_with?(typed)

        most = allowed(typed)
        most.positive? && (typed.length - word.length).abs <= most && distance(typed, word, most) <= most
      end

      # The optimal string alignment distance (Damerau 1964, restricted), given up once it is above +most+.
      #
      # @return [Integer] the distance, or +most+ + 1 if it is greater than +most+
      def distance(one, other, most)
        before_last, last = nil, (0..other.length).to_a
        one.each_char.with_index do |letter, i|
          row = [ i + 1 ]
          other.each_char.with_index do |against, j|
            cost = letter == against ? 0 : 1
            best = [ last[j + 1] + 1, row[j] + 1, last[j] + cost ].min
            swapped = i.positive? && j.positive? && letter == other[j - 1] && one[i - 1] == against
            best = [ best, before_last[j - 1] + 1 ].min if swapped
            row << best
          end
          return most + 1 if row.min > most

          before_last, last = last, row
        end
        [ last.last, most + 1 ].min
      end
    end
  end
end
