module Zuhause
  module Attribution
    # One step from a text to the next.
    class Carrying
      # A stretch of words that stand nowhere on the other side: of the block +id+ of a text, from place +from+, with what each
      # of them comes from where that is known.
      Stretch = Struct.new(:blocks, :id, :from, :words, :sources) do
        def whole?
          from.zero? && words.size == blocks.words(id).size
        end
      end

      # @return [Hash{String=>Array<Array(Integer, Object)>}] by block id
      attr_reader :runs
      # @return [Integer] words that are new
      attr_reader :added
      # @return [Integer] words that are gone
      attr_reader :removed

      # @see Attribution.carry
      def initialize(old, runs, new, source, besides)
        @old, @new, @old_runs = Blocks.new(old), Blocks.new(new), runs
        @budget = Changes::Budget.new
        @known, @gone, @come = {}, [], []
        pair_blocks
        @old_left = @gone.sum { |stretch| stretch.words.size }
        find_again(@gone, counted: true)
        @added = @come.sum { |stretch| stretch.words.size }
        find_again(elsewhere(besides), counted: false) if @come.any?
        @removed = @old_left
        @runs = @new.ids.to_h { |id| [ id, @known[id].is_a?(Same) ? @known[id].runs : Runs.of(@known[id].map { |one| one.nil? ? source : one.first }) ] }
      end

      # A block that is as it was.
      Same = Struct.new(:runs)
      private_constant :Same

      private

      def pair_blocks
        @new.ids.each do |id|
          next come(@new, id, Array.new(@new.words(id).size)) unless @old.include?(id)
          next @known[id] = Same.new(@old_runs.fetch(id, [])) if @old.same?(id, @new)

          compare(id)
        end
        (@old.ids - @new.ids).each { |id| gone(@old, @old_runs, id, Array.new(@old.words(id).size)) }
      end

      def compare(id)
        sources, olds, news = Runs.sources(@old_runs.fetch(id, [])), @old.words(id), @new.words(id)
        pairs = Changes::Sequence.common(olds, news, @budget)
        from, to = Array.new(olds.size), Array.new(news.size)
        pairs.each { |i, j| from[i], to[j] = true, [ sources[i] ] }
        gone(@old, @old_runs, id, from)
        come(@new, id, to)
      end

      # @param known [Array<Array(Object), nil>] the source of each word, nil where it is not known yet
      def come(blocks, id, known)
        @known[id] = known
        stretches(blocks, id, known) { |stretch| @come << stretch }
      end

      def gone(blocks, runs, id, kept, into = @gone)
        sources = Runs.sources(runs.fetch(id, []))
        stretches(blocks, id, kept) { |stretch| into << stretch.tap { stretch.sources = sources[stretch.from, stretch.words.size].to_a } }
      end

      # Where nothing is paired, one after another.
      def stretches(blocks, id, paired)
        words = blocks.words(id)
        paired.each_index.chunk_while { |i, j| paired[i].nil? == paired[j].nil? }.each do |places|
          next unless paired[places.first].nil?

          yield Stretch.new(blocks, id, places.first, words[places.first, places.size])
        end
      end

      # Blocks of further texts that the old one does not have, or not as they are there: what was removed before and comes back.
      def elsewhere(besides)
        besides.each_with_object([]) do |(document, runs), found|
          blocks = Blocks.new(document)
          blocks.ids.each { |id| gone(blocks, runs, id, Array.new(blocks.words(id).size), found) unless @old.same?(id, blocks) }
        end
      end

      # Takes from what came all that is known again in what went.
      def find_again(stretches, counted:)
        index = indexed(stretches)
        wholes = stretches.group_by(&:words)
        @come = @come.sort_by { |stretch| -stretch.words.size }.flat_map { |stretch| known_again(stretch, index, wholes, counted) }
      end

      # @return [Hash{Array<String>=>Array<Array(Stretch, Integer)>}] where so many words stand
      def indexed(stretches)
        stretches.each_with_object({}) do |stretch, found|
          stretch.words.each_cons(MOVED).with_index { |words, at| (found[words] ||= []) << [ stretch, at ] }
        end
      end

      # @return [Array<Stretch>] what of it is still new
      def known_again(stretch, index, wholes, counted)
        short = wholes[stretch.words]&.find { |other| other.sources.any? && !used?(other, 0, other.words.size) } if stretch.words.size < MOVED
        return take(stretch, 0, short, 0, stretch.words.size, counted) && [] if short && (stretch.whole? || short.whole?)

        left, at = [], 0
        from = 0
        while at < stretch.words.size
          other, place, length = best(stretch, at, index)
          next at += 1 unless other

          take(stretch, at, other, place, length, counted)
          left << cut(stretch, from, at) if at > from
          from = at += length
        end
        left << cut(stretch, from, stretch.words.size) if from < stretch.words.size
        left
      end

      LOOKED_AT = 12 # places of the same words
      private_constant :LOOKED_AT

      # @return [Array(Stretch, Integer, Integer), nil] where the most words follow as they do here
      def best(stretch, at, index)
        places = index[stretch.words[at, MOVED]] or return
        places.first(LOOKED_AT).filter_map { |other, place| (length = run(stretch, at, other, place)) && [ other, place, length ] }.max_by(&:last)
      end

      def run(stretch, at, other, place)
        length = 0
        length += 1 while at + length < stretch.words.size && place + length < other.words.size && !used?(other, place + length, 1) && stretch.words[at + length] == other.words[place + length]
        length if length >= MOVED
      end

      def used?(stretch, from, length)
        used = (@used ||= {}.compare_by_identity)[stretch]
        used ? used[from, length].any? : false
      end

      def take(stretch, at, other, place, length, counted)
        used = ((@used ||= {}.compare_by_identity)[other] ||= Array.new(other.words.size, false))
        length.times do |i|
          used[place + i] = true
          @known[stretch.id][stretch.from + at + i] = [ other.sources[place + i] ]
        end
        @old_left -= length if counted
        true
      end

      def cut(stretch, from, to)
        Stretch.new(stretch.blocks, stretch.id, stretch.from + from, stretch.words[from...to], stretch.sources)
      end
    end
  end
end
