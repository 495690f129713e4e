module Zuhause
  module Finding
    # Where words stand in a text, found without taking all of it apart: of long texts most words are not asked for.
    class Places
      # Signs beyond ASCII that are no letters; what is left beyond ASCII counts as letters.
      SIGNS = "\u00A0\u00A7\u00A9\u00AB\u00B0\u00B6\u00B7\u00BB\u2010-\u201F\u2020-\u2027\u2030-\u205E\u2190-\u21FF\u2212\u3000-\u3003".freeze
      WORD = 6 # letters that a word and what follows it have, more or less
      MOST = 12 # places of one word: more of the same adds next to nothing

      # @return [Integer] words that the text has, more or less
      attr_reader :size

      # @param text [String]
      def initialize(text)
        folded = Folding.fold(text)
        @bytes = (folded.ascii_only? ? folded : folded.tr(SIGNS, " ")).b
        @size = (@bytes.bytesize / WORD) + 1
      end

      # @param most [Integer] bytes
      # @return [String] what it says first, folded, in bytes
      def beginning(most)
        @bytes[0, most]
      end

      # @param word [String] folded
      # @return [Array<Integer>] where it stands as a whole word, counted in words, more or less
      def of(word)
        wanted, found, from = word.b, [], 0
        while found.size < MOST && (at = @bytes.index(wanted, from))
          from = at + wanted.bytesize
          found << (at / WORD) unless letter?(at - 1) || letter?(from)
        end
        found
      end

      private

      # Bytes beyond ASCII belong to letters.
      def letter?(at)
        return false if at.negative?

        byte = @bytes.getbyte(at) or return false
        byte >= 0x61 ? byte <= 0x7A || byte >= 0x80 : byte >= 0x30 && byte <= 0x39
      end
    end
  end
end
