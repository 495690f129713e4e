module Zuhause
  module Access
    # What a place effectively grants, as granted: for each holder the highest level. Never a group's members, never
    # caps, switches or suspensions: those are judged when somebody asks.
    class List
      # @return [Hash{Holder=>Symbol}]
      attr_reader :entries

      def self.of(place)
        new(place.reach.flat_map(&:grants))
      end

      # @param entries [Hash{Holder=>Symbol}]
      def self.from(entries)
        new(entries.map { |holder, level| Grant.new(holder, level) })
      end

      # @param grants [Enumerable<Grant>]
      def initialize(grants)
        @entries = grants.each_with_object({}) do |grant, entries|
          entries[grant.holder] = Level.higher(grant.level, entries.fetch(grant.holder, :none))
        end.reject { |_holder, level| level == :none }.freeze
      end

      # @param more [Enumerable<Grant>] grants of a place below that has no own list
      # @return [List] what that place grants
      def with(more)
        List.new(grants + more.to_a)
      end

      def grants
        entries.map { |holder, level| Grant.new(holder, level) }
      end

      # @return [Symbol] the level the viewer has wherever this list holds
      def level(viewer, switches)
        entries.reduce(:none) do |best, (holder, level)|
          given, = viewer.effect(Grant.new(holder, level), switches)
          given ? Level.higher(best, given) : best
        end
      end

      # @return [String] the same for equal lists only (SHA-256 over the sorted entries, hexadecimal)
      def digest
        Digest::SHA256.hexdigest(entries.map { |holder, level| "#{holder}=#{level}" }.sort.join("\n"))
      end

      def ==(other)
        other.is_a?(List) && entries == other.entries
      end
    end
  end
end
