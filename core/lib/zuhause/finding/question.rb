module Zuhause
  module Finding
    # What somebody asks, in their own words: the words that count, phrases in quotes, words to leave out, and what kind of answer
    # the question wants.
    class Question
      LONGEST = 300 # characters
      MOST = 16 # words

      # +word+ folded; +common+: in what part of any text it stands; +joined+: whether it is written as one with the word before
      # it, as in winch_limit or B-12; +unfinished+: whether it may go on.
      Word = Struct.new(:word, :common, :joined, :unfinished, keyword_init: true) do
        def function?
          common >= CommonWords::PARTS.first
        end
      end

      # Words of a question that ask how much of something there is, and say nothing of what.
      HOW = %w[how wie].freeze
      MEASURES = %w[long soon far lange bald weit].freeze

      # A run of words that are written as one.
      RUN = %r{[\p{L}\p{M}\p{N}]+(?:[_./:#\-+]+[\p{L}\p{M}\p{N}]+)*}
      QUOTED = /["“„«»]([^"“”„«»]+)["”“«»]/
      LEFT_OUT = /(?<=\s|\A)-(?=[\p{L}\p{N}])(#{RUN})/
      SHORT_FORMS = /(?<=\p{L})['’](?:s|t|m|d|re|ve|ll)(?!\p{L})/

      # Kinds of answers, by how a question begins or what stands in it.
      KINDS = {
        amounts: /\bhow (?:much|many|far|deep|high|big|large|heavy|wide|fast|old)\b|\bwhat (?:amount|number|size|price)\b|\bcosts?\b|\bwie ?(?:viel|viele|weit|tief|hoch|gro(?:ß|ss)|schwer|breit|schnell|alt|teuer)\b|\bkostet?n?\b/,
        times: /\b(?:when|what time|how (?:long|often|soon|early|late)|since when|until when|by when)\b|\b(?:wann|wie (?:lange|oft|bald|früh|spät)|um wie ?viel uhr|bis wann|ab wann)\b/,
        people: /\b(?:who|whom|whose)\b|\b(?:wer|wen|wem|wessen)\b/,
        steps: /\bhow (?:do|does|can|could|should|to|is|are|must)\b|\bwhat (?:do|should|must) (?:i|we|you)\b|\bwie (?:kann|können|muss|müssen|soll|sollen|mache|macht|machen|geht|gehen|bekomme|wird|werden|\p{L}+e ich|\p{L}+t man)\b|\bwas (?:mache|muss|soll|tue) ich\b/,
        places: /\bwhere\b|\b(?:wo|wohin|woher)\b/
      }.freeze

      # @return [String] cleaned
      attr_reader :text
      # @return [Array<Word>]
      attr_reader :words
      # @return [Array<Array<String>>] folded words that have to stand together
      attr_reader :phrases
      # @return [Array<String>] folded words that must not stand there
      attr_reader :without
      # @return [Array<Symbol>] of {KINDS}
      attr_reader :kinds

      # @param text [Object] anything at all
      def initialize(text)
        given = Document::Normal.clean(text.to_s)[0, LONGEST]
        @text = given.strip
        rest = @text.gsub(SHORT_FORMS, "")
        @phrases = rest.scan(QUOTED).map { |(words)| Folding.words(words) }.reject(&:empty?)
        rest = rest.gsub(QUOTED, " \\1 ")
        @without = rest.scan(LEFT_OUT).flat_map { |(words)| Folding.words(words) }
        rest = rest.gsub(LEFT_OUT, " ")
        @words = words_of(rest)
        @words.last.unfinished = true if @words.any? && rest.match?(/[\p{L}\p{M}\p{N}]\z/) && !given.match?(/\s\z/)
        asked = @text.downcase
        @kinds = KINDS.filter_map { |kind, pattern| kind if asked.match?(pattern) }.first(1)
      end

      # @return [Array<Word>] those that say something; all, if none does
      def telling
        @telling ||= words.reject(&:function?).then { |found| found.any? ? found : words }
      end

      def blank?
        words.empty?
      end

      private

      # Each once.
      def words_of(text)
        found = text.scan(RUN).flat_map do |run|
          parts = Folding.words(run)
          parts.each_with_index.map { |word, i| Word.new(word: word, common: parts.size > 1 ? 0.0 : CommonWords.part(word), joined: i.positive?, unfinished: false) }
        end
        found.each_cons(2) { |how, measure| measure.common = CommonWords::PARTS.first if HOW.include?(how.word) && MEASURES.include?(measure.word) }
        found.uniq(&:word).first(MOST)
      end
    end
  end
end
