module Zuhause
  module Access
    # What a place effectively grants, as granted: for each holder the highest level, and higher ones that end. Never a
    # group's members, never caps, switches, suspensions or what day it is: those are judged when somebody asks.
    class List
      # @return [Array<Grant>] none of which another covers, in one order
      attr_reader :grants

      def self.of(place)
        new(place.reach.flat_map(&:grants))
      end

      # @param grants [Enumerable<Grant>]
      def initialize(grants)
        by_holder = grants.reject { |grant| grant.level == :none }.uniq.group_by(&:holder)
        @grants = by_holder.values.flat_map { |given| uncovered(given) }.sort_by(&:to_s).freeze
      end

      # @param more [Enumerable<Grant>] grants of a place below that has no own list
      # @return [List] what that place grants
      def with(more)
        List.new(grants + more.to_a)
      end

      # @return [Array<Holder>]
      def holders
        @holders ||= grants.map(&:holder).uniq.freeze
      end

      # @param day [Date, nil]
      # @return [Symbol] the level given to a holder, uncapped
      def given(holder, day = nil)
        grants.select { |grant| grant.holder == holder && !grant.ended?(day) }.map(&:level).reduce(:none) { |one, other| Level.higher(one, other) }
      end

      # @return [Symbol] the level the viewer has wherever this list holds
      def level(viewer, switches)
        grants.reduce(:none) do |best, grant|
          given, = viewer.effect(grant, switches)
          given ? Level.higher(best, given) : best
        end
      end

      # @return [String] the same for equal lists only (SHA-256 over the grants in their order, hexadecimal)
      def digest
        Digest::SHA256.hexdigest(grants.join("\n"))
      end

      def ==(other)
        other.is_a?(List) && grants == other.grants
      end

      private

      def uncovered(given)
        return given if given.one?

        given.reject { |grant| given.any? { |other| other != grant && other.covers?(grant) } }
      end
    end
  end
end
