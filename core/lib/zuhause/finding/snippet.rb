require "strscan"

module Zuhause
  module Finding
    # The stretch of a text that shows best why it was found.
    class Snippet
      WORDS = 28
      BEFORE = 5 # words before the first one found
      MOST = 300 # places looked at in a long text

      # @param text [String]
      # @param query [Query]
      # @param opening [String] put before each word found
      # @param closing [String] put behind it
      # @return [String] at most {WORDS} words on one line, with the words found marked; the text's beginning if none is
      def self.of(text, query, opening:, closing:)
        new(text.tr("\n", " "), query).cut(opening, closing)
      end

      # As the full-text index folds words (unicode61, remove_diacritics 2): case and accents make no difference.
      def self.fold(word)
        return word.downcase if word.ascii_only?

        word.unicode_normalize(:nfd).gsub(/\p{M}/, "").downcase
      end

      def initialize(text, query)
        @text = text
        @wanted = query.words.map { |word| Snippet.fold(word) }
        @unfinished = query.unfinished?
        @places = places
        @found = @places.each_index.filter_map { |i| (which = wanted(i)) && [ i, which ] }.first(MOST)
      end

      def cut(opening, closing)
        return "" if @places.empty?

        first = start
        last = [ first + WORDS, @places.size ].min - 1
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

      # @return [Integer, nil] which of the words wanted stands there
      def wanted(index)
        word = Snippet.fold(slice(*@places[index]))
        @wanted.index(word) || (@wanted.size - 1 if @unfinished && @wanted.any? && word.start_with?(@wanted.last))
      end

      # The beginning of the stretch that holds most of the words wanted.
      def start
        best = @found.max_by.with_index { |(index, _which), i| [ @found.select { |other, _w| other.between?(index, index + WORDS - BEFORE - 1) }.map(&:last).uniq.size, -i ] }
        return 0 unless best

        [ best.first - BEFORE, [ @places.size - WORDS, 0 ].max ].min.clamp(0, nil)
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
