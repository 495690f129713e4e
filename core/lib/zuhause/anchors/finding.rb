module Zuhause
  module Anchors
    # Looks for one place in a text.
    class Finding
      MOST = 200 # places with the same words that are looked at
      # Characters around a quote that must be as they were for it to be taken as the same: in its block, and elsewhere.
      SURE, SURE_ELSEWHERE = 6, 20
      LONG = 24 # characters; so long a quote says enough by itself where it stands once
      BOTH = 12 # characters; of a shorter quote what stood on either side must stand there

      # @param anchor [Anchor]
      # @param text [PageText]
      def initialize(anchor, text)
        @anchor, @text = anchor, text
      end

      # @return [Found]
      def found
        best = ranked.first
        return alike unless best
        return doubtful(ranked.take_while { |place| rank(place) == rank(best) }) if ranked[1] && rank(ranked[1]) == rank(best)
        return told(:same, best) if sure?(best)

        own?(best) && around(best) >= SURE ? told(:changed, best) : alike
      end

      private

      def ranked
        @ranked ||= places.sort_by { |place| rank(place).map(&:-@) }
      end

      def places
        @places ||= @text.places_of(@anchor.exact, MOST)
      end

      # Being in its block counts as much as a few characters around it.
      def rank(place)
        (@ranks ||= {})[place] ||= [ around(place) + (own?(place) ? SURE : 0) ]
      end

      def around(place)
        before(place) + behind(place)
      end

      def before(place)
        stood = @text.whole[[ place - CONTEXT, 0 ].max...place]
        same(@anchor.prefix.reverse, stood.reverse)
      end

      def behind(place)
        same(@anchor.suffix, @text.whole[place + @anchor.length, CONTEXT].to_s)
      end

      def same(one, other)
        one.each_char.zip(other.each_char).take_while { |a, b| a == b }.size
      end

      def own?(place)
        @text.block_at(place).id == @anchor.block
      end

      def told(state, place)
        Found.new(state: state, anchor: @text.anchor_at(place, @anchor.length), candidates: [])
      end

      # Where there was less around it than that, all of it must be as it was.
      def sure?(place)
        all = @anchor.prefix.length + @anchor.suffix.length
        around = around(place)
        return true if around == all && (own?(place) || @anchor.length + all >= SURE_ELSEWHERE)

        return false if @anchor.length < BOTH && [ [ before(place), @anchor.prefix ], [ behind(place), @anchor.suffix ] ].any? { |same, was| same < [ SURE, was.length ].min }

        around >= (own?(place) ? SURE : SURE_ELSEWHERE) || (@anchor.length >= LONG && places.one?)
      end

      def doubtful(places)
        Found.new(state: :doubtful, anchor: nil, candidates: places.map { |place| @text.anchor_at(place, @anchor.length) })
      end

      def alike
        found = Likeness.new(@anchor, @text).found
        return Found.new(state: :gone, anchor: nil, candidates: []) if found.empty?
        return Found.new(state: :changed, anchor: found.first, candidates: []) if found.one?

        Found.new(state: :doubtful, anchor: nil, candidates: found)
      end
    end
  end
end
