require "strscan"

module Zuhause
  module Finding
    # The stretch of a text that shows best why it was found.
    class Snippet
      WORDS = 28
      BEFORE = 5 # words before the first one found
      MOST = 300 # places looked at in a long text

      # @param text [String]
      # @param wanted [Hash{String=>Object}] words that are looked for, folded, each with what it stands for
      # @param opening [String] put before each word found
      # @param closing [String] put behind it
      # @param most [Integer] words
      # @return [String] as many words on one line, with the words found marked; the text's beginning if none is
      def self.of(text, wanted, opening:, closing:, most: WORDS)
        new(text.tr("\n", " "), wanted, most).cut(opening, closing)
      end

      def initialize(text, wanted, most = WORDS)
        @text, @wanted, @most = text, wanted, most
        @places = places
        @found = @places.each_index.filter_map { |i| (which = @wanted[Folding.fold(slice(*@places[i]))]) && [ i, which ] }.first(MOST)
      end

      def cut(opening, closing)
        return "" if @places.empty?

        first = start
        last = [ first + @most, @places.size ].min - 1
        from = first.zero? ? 0 : @places[first].first
        to = last == @places.size - 1 ? @text.bytesize : @places[last].last
        "#{"… " unless first.zero?}#{marked(from, to, first..last, opening, closing).strip}#{" …" if to < @text.bytesize}"
      end

      private

      # Where words begin and end, in bytes: counting characters from the beginning for each would take time that grows with
      # the square of the text.
      def places
        scanner = StringScanner.new(@text)
        found = []
        found << [ scanner.pos - scanner.matched_size, scanner.pos ] while scanner.skip_until(Query::WORD)
        found
      end

      def slice(from, to)
        @text.byteslice(from, to - from)
      end

      # The beginning of the stretch that holds most of the words wanted.
      def start
        best = @found.max_by.with_index { |(index, _which), i| [ @found.select { |other, _w| other.between?(index, index + @most - BEFORE - 1) }.map(&:last).uniq.size, -i ] }
        return 0 unless best

        [ best.first - BEFORE, [ @places.size - @most, 0 ].max ].min.clamp(0, nil)
      end

      def marked(from, to, range, opening, closing)
        place = from
        parts = @found.select { |index, _which| range.cover?(index) }.map do |index, _which|
          word_from, word_to = @places[index]
          before = slice(place, word_from)
          place = word_to
          "#{before}#{opening}#{slice(word_from, word_to)}#{closing}"
        end
        parts.join + slice(place, to)
      end
    end
  end
end
