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

    Grant = Struct.new(:holder, :level)
  end
end
