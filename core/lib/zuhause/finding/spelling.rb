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
        one, other = differing(one.codepoints, other.codepoints)
        longer = [ one.size, other.size ].max
        return longer if longer < 2
        return most + 1 if (one.size - other.size).abs > most
        # Of two slips or more, nothing stands at the right place at either end of what differs.
        return one == other.reverse && longer == 2 ? 1 : 2 if most == 1

        by_rows(one, other, most)
      end

      # What is left without the beginning and the end that they have in common.
      def differing(one, other)
        first = 0
        first += 1 while first < one.size && one[first] == other[first]
        last = -1
        last -= 1 while -last <= [ one.size, other.size ].min - first && one[last] == other[last]
        [ one[first..last], other[first..last] ]
      end
      private_class_method :differing

      def by_rows(one, other, most)
        before_last, last = nil, (0..other.length).to_a
        one.each_with_index do |letter, i|
          row = [ i + 1 ]
          other.each_with_index do |against, j|
            best = last[j] + (letter == against ? 0 : 1)
            best = last[j + 1] + 1 if last[j + 1] < best
            best = row[j] + 1 if row[j] < best
            swapped = i.positive? && j.positive? && letter == other[j - 1] && one[i - 1] == against
            best = before_last[j - 1] + 1 if swapped && before_last[j - 1] < best
            row << best
          end
          return most + 1 if row.min > most

          before_last, last = last, row
        end
        [ last.last, most + 1 ].min
      end
      private_class_method :by_rows
    end
  end
end
