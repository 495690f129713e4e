module Zuhause
  module Access
    # Who can get in somewhere, of all the people of the house.
    class Audience
      # @return [Hash{Viewer=>Symbol}] everyone who has at least the lowest level asked for, with their level
      attr_reader :levels

      # @param list [List] what the place grants
      # @param people [Enumerable<Viewer>] all people of the house
      # @param lowest [Symbol] :read; :write for a page that was never published
      def initialize(list, people, switches, lowest: :read)
        @list = list
        @switches = switches
        @lowest = lowest
        @people = people.to_a
        @levels = @people.to_h { |person| [ person, list.level(person, switches) ] }
                         .select { |_person, level| Level.at_least?(level, lowest) }
      end

      # @param asker [Object, nil] the id of who asks
      # @return [Symbol, Integer] :anyone, :everyone (every active member), :only_me, or the number of people
      def name(asker: nil)
        return :anyone if Level.at_least?(@list.level(Viewer.outside, @switches), @lowest)
        return :everyone if everyone?

        levels.size == 1 && levels.keys.first.id == asker ? :only_me : levels.size
      end

      # @return [Array<Viewer>] guests among them
      def guests
        levels.keys.select { |person| person.role == :guest }
      end

      # @return [Array<Viewer>] those with at least a level
      def at_least(level)
        levels.select { |_person, given| Level.at_least?(given, level) }.keys
      end

      # @return [Array<Viewer>] active members who keep it, directly or through a group
      def keepers
        at_least(:keep).select(&:active_member?)
      end

      private

      # Said only where a grant makes it so, now and for whoever joins.
      def everyone?
        given = @list.given(Holder.everyone, @switches.day)
        Level.at_least?(Level.lower(given, Holder.everyone.cap), @lowest)
      end
    end
  end
end
