module Zuhause
  module Finding
    # How well sections answer a question: a field-weighted BM25 (Robertson, Zaragoza and Taylor, "Simple BM25 extension to multiple
    # weighted fields", 2004) with coverage, closeness (Tao and Zhai, "An exploration of proximity measures in information
    # retrieval", 2007) and what kind of answer is wanted.
    class Scoring
      # +parts+ say what made the score, by name; +matched+: the words asked that were found, each with the word it was found as
      # and the field that counts most; +covered+: what part of what is asked was found.
      Score = Struct.new(:candidate, :total, :parts, :matched, :covered, keyword_init: true)
      Match = Struct.new(:asked, :word, :form, :field, keyword_init: true)

      # By which texts show that they have what a question wants: looked for in what they say, folded, or as it is written.
      TIMES = /\d[:.]\d\d|\d{4}|minute|hour|day|week|month|year|stunde|tag|woche|monat|jahr|every|daily|before|after|until|taglich|jede|nach/n
      PLACES = / (?:in|at|on|under|behind|im|am|auf|unter|hinter|neben) /n
      AMOUNTS = /\d/n
      STEPS = /^(?:\d+[.)]|[A-ZÄÖÜ]\p{Ll}+ (?:the|a|an|your|it|den|die|das|ein|eine)\b)/
      PEOPLE = /\p{Lu}\p{Ll}+ \p{Lu}\p{Ll}+|mate|master|keeper|office|crew|captain|team|group|department|manager|büro|leitung/
      FOLDED = { times: TIMES, amounts: AMOUNTS, places: PLACES }.freeze
      WRITTEN = { steps: STEPS, people: PEOPLE }.freeze

      # @param question [Question]
      # @param asked [Array<Asked>] of all words asked; those that hold others together count for little, and are not told as found
      def initialize(question, asked)
        telling = question.telling.map(&:word)
        @question, @asked = question, asked
        @telling = asked.each_index.select { |i| telling.include?(asked[i].word) }.then { |found| found.any? ? found : asked.each_index.to_a }.to_set
        @all = part(@telling)
      end

      # What stands below a page whose title is asked for, and says nothing of it itself, is no answer.
      #
      # @param candidates [Array<Candidate>]
      # @return [Array<Score>] best first; of equals whichever was given first
      def ranked(candidates)
        candidates.map { |candidate| score(candidate) }.reject { |score| score.matched.all? { |match| match.field == :path } || refused?(score.candidate) }.each_with_index.sort_by { |score, i| [ -score.total, i ] }.map(&:first)
      end

      # @param score [Score]
      # @return [Boolean] whether it can be told as the answer, and not only as what comes nearest
      def sure?(score)
        @all.positive? && trusted(score) >= Weights::CONFIDENT && score.total / @all >= Weights::FITTING
      end

      # @param candidate [Candidate]
      # @return [Score]
      def score(candidate)
        found = Weights::FIELDS.keys.to_h { |field| [ field, field == :body ? places_in(candidate.places) : places_of(candidate.text(field)) ] }.reject { |_field, places| places.empty? }
        return Score.new(candidate: candidate, total: 0.0, parts: {}, matched: [], covered: 0.0) if found.empty?

        matches = matches(found)
        covered, own = part_of(found.values.flat_map(&:keys)), part_of([ *found[:body]&.keys, *found[:heading]&.keys ])
        words = words(candidate, found)
        parts = { words: words, covered: words * (share(covered, Weights::COVERED) * share(own, Weights::OWN) - 1), close: closeness(candidate, found),
                  about: Weights::ABOUT * @all * about(candidate.text(:heading)), named: named?(candidate) ? Weights::NAMED * @all : 0.0, kind: kind(candidate) * covered,
                  links: Weights::LINKS * Math.log(1 + candidate.links) * @all, lately: candidate.lately ? Weights::LATELY * @all : 0.0 }
        Score.new(candidate: candidate, total: parts.values.sum, parts: parts, matched: matches, covered: covered)
      end

      private

      def share(part, weight)
        1 - weight + (weight * part)
      end

      # Titles and headings are the same for many.
      def places_of(text)
        (@places_of ||= {})[text] ||= places(Folding.words(text))
      end

      # @return [Hash{Integer=>Array<Array(Integer, Float, String)>}] where each word asked stands, what it counts there, and as what
      def places(words)
        found = {}
        words.each_with_index { |word, place| index[word]&.each { |i, weight| (found[i] ||= []) << [ place, weight, word ] } }
        found
      end

      # The same of a text, which may be long.
      def places_in(text)
        index.each_with_object({}) do |(word, asked), found|
          stands = text.of(word)
          asked.each { |i, weight| (found[i] ||= []).concat(stands.map { |place| [ place, weight, word ] }) } if stands.any?
        end
      end

      # @return [Hash{String=>Array<Array(Integer, Float)>}] words of the house, with the words asked that they are forms of
      def index
        @index ||= @asked.each_with_index.with_object({}) { |(asked, i), found| asked.forms.each_key { |word| (found[word] ||= []) << [ i, asked.weight(word) ] } }
      end

      # @return [Array<Match>] of each word that was found, the field in which it counts most
      def matches(found)
        best = {}
        found.each do |field, places|
          places.each do |i, stands|
            next unless @telling.include?(i)

            stand = stands.max_by { |place| place[1] }
            worth = Weights::FIELDS[field] * stand[1]
            best[i] = [ worth, field, stand[2] ] if best[i].nil? || worth > best[i][0]
          end
        end
        best.sort.map { |i, (_worth, field, word)| Match.new(asked: @asked[i], word: word, form: @asked[i].forms[word], field: field) }
      end

      # @return [Float] the part of what is asked that was found in a form to be trusted
      def trusted(score)
        score.matched.sum { |match| match.asked.rarity * (match.form == :slip && match.asked.word.length < Weights::SHORT ? 0.0 : Weights::TRUST.fetch(match.form)) } / @all
      end

      # @param indexes [Array<Integer>] of words asked
      # @return [Float] what part of what is asked they are
      def part_of(indexes)
        @all.zero? ? 0.0 : part(@telling & indexes) / @all
      end

      def part(indexes)
        indexes.sum { |i| @asked[i].rarity }
      end

      def words(candidate, found)
        frequencies = Hash.new(0.0)
        found.each do |field, places|
          weight = Weights::FIELDS[field]
          weight /= (1 - Weights::LENGTH) + (Weights::LENGTH * candidate.places.size / Weights::USUAL.to_f) if field == :body
          # A title says a word once, however often it stands there.
          places.each { |i, stands| frequencies[i] += weight * (field == :body ? stands.sum { |place| place[1] } : stands.map { |place| place[1] }.max) }
        end
        frequencies.sum { |i, frequency| @asked[i].rarity * frequency * (Weights::SATURATION + 1) / (frequency + Weights::SATURATION) / 2 }
      end

      # Words asked that stand near each other in the text, or in a heading: each pair that follows one another counts by the rarer
      # of both and by how many words lie between.
      def closeness(candidate, found)
        %i[body heading title].map { |field| found[field] && found[field].size > 1 ? pairs(found[field]) : 0.0 }.max + joined(candidate)
      end

      # @return [Float] what part of a heading is asked for, words that hold others together aside
      def about(heading)
        (@about ||= {})[heading] ||= begin
          words = Folding.words(heading).uniq.reject { |word| CommonWords.part(word).positive? }
          words.count { |word| index.key?(word) } / (words.size + 1.0)
        end
      end

      # @return [Boolean] whether it begins a page (and is headed by its names), one of whose names is asked for: no word more, none less
      def named?(candidate)
        title = candidate.text(:title)
        candidate.text(:heading) == title && title.each_line.any? { |name| (@named ||= {}).fetch(name) { @named[name] = all_of?(name) } }
      end

      def all_of?(name)
        words = Folding.words(name).uniq.reject { |word| CommonWords.part(word).positive? }
        asked = words.map { |word| (index[word] || []).filter_map { |i, _weight| i if @telling.include?(i) && @asked[i].forms[word] == :same } }
        words.any? && asked.none?(&:empty?) && asked.flatten.to_set == @telling
      end

      BEGINNING = 600 # characters of a text in which the kind of answer is looked for
      FAR = 12 # words
      private_constant :BEGINNING, :FAR

      def pairs(found)
        stream = found.flat_map { |i, places| places.map { |place, weight, _word| [ place, i, weight ] } }.sort_by(&:first)
        best = Hash.new(0.0)
        stream.each_cons(2) do |(place, i, weight), (next_place, j, next_weight)|
          gap = next_place - place
          next if i == j || gap > FAR

          worth = [ @asked[i].rarity * weight, @asked[j].rarity * next_weight ].min * ((Weights::CLOSE / [ gap, 1 ].max**0.6) + (j == i + 1 ? Weights::ORDER : 0))
          key = [ i, j ].minmax
          best[key] = worth if worth > best[key]
        end
        best.values.sum
      end

      # Words that were written as one, and stand so.
      def joined(candidate)
        runs.sum do |run|
          together = %i[heading title body].any? { |field| candidate.words(field).each_cons(run.size).any? { |words| words.zip(run).all? { |word, asked| asked.forms[word] } } }
          together ? Weights::JOINED * run.sum(&:rarity) : 0.0
        end
      end

      # @return [Array<Array<Asked>>]
      def runs
        @runs ||= @asked.slice_before { |asked| !asked.joined }.select { |run| run.size > 1 }
      end

      def kind(candidate)
        @question.kinds.sum { |kind| (FOLDED.key?(kind) ? candidate.places.beginning(BEGINNING).match?(FOLDED[kind]) : candidate.text(:body)[0, BEGINNING].match?(WRITTEN.fetch(kind))) ? Weights::KIND * @all : 0.0 }
      end

      # Phrases have to stand somewhere, and what is left out nowhere.
      def refused?(candidate)
        return false if @question.without.empty? && @question.phrases.empty?

        fields = Candidate::FIELDS.map { |field| candidate.words(field) }
        @question.without.any? { |word| fields.any? { |words| words.include?(word) } } ||
          @question.phrases.any? { |phrase| fields.none? { |words| words.each_cons(phrase.size).include?(phrase) } }
      end
    end
  end
end
