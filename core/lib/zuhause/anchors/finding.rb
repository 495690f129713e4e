module Zuhause
  module Anchors
    # Looks for one place in a text.
    class Finding
      MOST = 200 # places with the same words that are looked at
      # Characters around a quote that must be as they were for it to be taken as the same: in its block, and elsewhere, there on
      # either side.
      SURE, SURE_ELSEWHERE = 6, 20
      LONG = 24 # characters; so long a quote says enough by itself where it stands once
      BOTH = 12 # characters; of a shorter quote what stood on either side must stand there
      WORD = /[\p{L}\p{M}\p{N}]/
      private_constant :WORD

      # @param anchor [Anchor]
      # @param text [PageText]
      # @param budget [Likeness::Budget, nil] nil where nothing but its very words is looked for
      def initialize(anchor, text, budget)
        @anchor, @text, @budget = anchor, text, budget
      end

      # @return [Found]
      def found
        return whole if @anchor.whole?
        return told(:same, stayed) if stayed

        best = ranked.first
        return alike unless best
        return doubtful(ranked.take_while { |place| rank(place) == rank(best) }) if ranked[1] && rank(ranked[1]) == rank(best)
        return told(:same, best) if sure?(best)

        own?(best) && around(best) >= SURE ? told(:changed, best) : alike
      end

      private

      # A block that is meant as a whole is there or not; a picture in it can be another by now.
      def whole
        found = @text.whole_block(@anchor.block) or return Found.new(state: :gone, anchor: nil, candidates: [])
        Found.new(state: found.file == @anchor.file ? :same : :changed, anchor: found, candidates: [])
      end

      # @return [Integer, nil] where it stood, if all is as it was there; most do between one version and the next
      def stayed
        return @stayed if defined?(@stayed)

        block = @text.block(@anchor.block)
        place = block && block.from + @anchor.start
        @stayed = (place if place && @anchor == @text.anchor_at(place, @anchor.length))
      end

      def ranked
        @ranked ||= places.sort_by { |place| rank(place).map(&:-@) }
      end

      def places
        @places ||= @text.places_of(@anchor.exact, MOST).select { |place| bordered_alike?(place) }
      end

      # Whole words are not found within others.
      def bordered_alike?(place)
        left = place.zero? ? "" : @text.slice(place - 1, 1)
        bordered?(@anchor.prefix[-1], 0) == bordered?(left, 0) && bordered?(@anchor.suffix[0], -1) == bordered?(@text.slice(place + @anchor.length, 1), -1)
      end

      def bordered?(beside, edge)
        !(beside.to_s.match?(WORD) && @anchor.exact[edge].match?(WORD))
      end

      # Being in its block counts as much as a few characters around it.
      def rank(place)
        (@ranks ||= {})[place] ||= [ around(place) + (own?(place) ? SURE : 0) ]
      end

      def around(place)
        before(place) + behind(place)
      end

      def before(place)
        (@before ||= {})[place] ||= same(backwards, @text.before(place).reverse)
      end

      def behind(place)
        (@behind ||= {})[place] ||= same(@anchor.suffix, @text.slice(place + @anchor.length, CONTEXT))
      end

      def backwards
        @backwards ||= @anchor.prefix.reverse
      end

      # @return [Integer] characters that both begin with
      def same(one, other)
        length = [ one.length, other.length ].min
        length -= 1 until one.start_with?(other[0, length])
        length
      end

      def own?(place)
        @text.block_at(place).id == @anchor.block
      end

      def told(state, place)
        Found.new(state: state, anchor: @text.anchor_at(place, @anchor.length), candidates: [])
      end

      # Where there was less around it than that, all of it must be as it was.
      def sure?(place)
        return false if @anchor.length < BOTH && !both?(place, SURE)

        all = @anchor.prefix.length + @anchor.suffix.length
        return around(place) >= [ SURE, all ].min || (@anchor.length >= LONG && places.one?) if own?(place)
        return true if both?(place, SURE_ELSEWHERE) && @anchor.length + all >= SURE_ELSEWHERE

        @anchor.length >= LONG && places.one?
      end

      # Where the text began or ended beside it, it must do so there.
      def both?(place, most)
        [ [ before(place), @anchor.prefix, place.zero? ], [ behind(place), @anchor.suffix, place + @anchor.length >= @text.length ] ].all? do |same, was, edge|
          was.empty? ? edge : same >= [ most, was.length ].min
        end
      end

      def doubtful(places)
        Found.new(state: :doubtful, anchor: nil, candidates: places.map { |place| @text.anchor_at(place, @anchor.length) })
      end

      def alike
        found = @budget ? Likeness.new(@anchor, @text, @budget).found : []
        return Found.new(state: :gone, anchor: nil, candidates: []) if found.empty?
        return Found.new(state: :changed, anchor: found.first, candidates: []) if found.one?

        Found.new(state: :doubtful, anchor: nil, candidates: found)
      end
    end
  end
end
