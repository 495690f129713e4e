module Zuhause
  module Access
    # Whom a level is given to: +kind+ is :person, :group, :everyone (all members) or :anyone (signed in or not);
    # +id+ is the person's or group's, else nil.
    Holder = Struct.new(:kind, :id)

    class Holder
      # Nearer to a person comes first where two grants give the same.
      KINDS = %i[person group everyone anyone].freeze
      CAPS = { person: :keep, group: :keep, everyone: :write, anyone: :comment }.freeze

      def self.everyone
        new(:everyone, nil)
      end

      def self.anyone
        new(:anyone, nil)
      end

      # @return [Symbol] the highest level that this sort of holder can be given
      def cap
        CAPS.fetch(kind)
      end

      def rank
        KINDS.index(kind)
      end

      def to_s
        [ kind, id ].compact.join(":")
      end
    end

    # A level given to a holder; +ends_on+ is the last day on which it counts, nil for good.
    Grant = Struct.new(:holder, :level, :ends_on)

    class Grant
      # @param day [Date, nil] on which it is judged; nil where that is not asked
      def ended?(day)
        !ends_on.nil? && !day.nil? && ends_on < day
      end

      # @param other [Grant] to the same holder
      # @return [Boolean] whether this one gives all that the other does, for as long
      def covers?(other)
        Level.at_least?(level, other.level) && (ends_on.nil? || (!other.ends_on.nil? && ends_on >= other.ends_on))
      end

      def to_s
        [ "#{holder}=#{level}", ends_on&.iso8601 ].compact.join("/")
      end
    end

    module_function

    # What a place grants once something more is given there. What is given for good takes the place of what its holder had
    # for good, and of what ends if it is no more; what ends, of what ended and of as much for good, which ends with it.
    #
    # @param grants [Enumerable<Grant>] of one place
    # @param given [Grant] of any level; :none takes all from its holder
    # @return [Array<Grant>]
    def giving(grants, given)
      kept = grants.reject do |grant|
        next false unless grant.holder == given.holder
        next true if given.level == :none || grant.ends_on.nil? == given.ends_on.nil?

        given.ends_on ? Level.at_least?(grant.level, given.level) : Level.at_least?(given.level, grant.level)
      end
      given.level == :none ? kept : [ *kept, given ]
    end
  end
end
