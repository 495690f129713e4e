module Zuhause
  module Exchange
    # What a link is likely to mean that was written for a place which names headings otherwise: the only name of the same letters and
    # digits, or else the only one that goes on after these words. Each name is looked at once, however many links are asked for.
    class LikelyNames
      SHORTEST = 4 # letters by which a longer name is told
      MOST_WORDS = 12 # of a name by whose beginning it is told

      # @param names [Enumerable<String>] that there are
      def initialize(names)
        @alike, @begun = {}, {}
        names.each do |name|
          words = words_of(name)
          keep(@alike, words.join, name)
          (1...[ words.size, MOST_WORDS ].min).each { |count| keep(@begun, words.first(count), name) }
        end
      end

      # @param name [String] that nothing has
      # @return [String, nil] nil where none is meant, or one of several
      def meant(name)
        words = words_of(name)
        return if words.empty?

        letters = words.join
        @alike.fetch(letters) { @begun[words] if letters.length >= SHORTEST }
      end

      private

      def keep(known, key, name)
        known[key] = known.key?(key) ? nil : name
      end

      def words_of(name)
        name.downcase.scan(/[\p{L}\p{N}\p{M}]+/)
      end
    end
  end
end
