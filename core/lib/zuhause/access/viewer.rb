module Zuhause
  module Access
    # What the house as a whole allows, and the day on which it is asked: a grant counts up to its last day.
    Switches = Struct.new(:guests, :public_addresses, :day, keyword_init: true) do
      # No grant ends before that.
      NEVER = Date.new(9999, 12, 31)

      def self.all_on
        new(guests: true, public_addresses: true)
      end

      # @return [Switches] by which only what is given for good counts
      def for_good
        dup.tap { |switches| switches.day = NEVER }
      end
    end

    # Whoever asks: a member, a guest, or somebody who is not signed in.
    class Viewer
      attr_reader :id, :role, :groups

      # @param id [Object, nil] the person's id; nil for nobody known
      # @param role [Symbol] :member, :guest or :outside (not signed in)
      # @param groups [Enumerable] ids of the person's groups
      # @param administrator [Boolean] the owner counts as one
      def initialize(id: nil, role: :member, groups: [], suspended: false, administrator: false)
        @id = id
        @role = role
        @groups = groups.to_set
        @suspended = suspended
        @administrator = administrator
      end

      def self.outside
        new(role: :outside)
      end

      def suspended?
        @suspended
      end

      def administrator?
        @administrator && active_member?
      end

      def active_member?
        role == :member && !suspended?
      end

      # @return [Boolean] whether the holder names this viewer, whatever comes of it
      def named_by?(holder)
        case holder.kind
        when :person then !id.nil? && holder.id == id
        when :group then groups.include?(holder.id)
        when :everyone then role == :member
        when :anyone then true
        end
      end

      # What a grant comes to for this viewer.
      #
      # @param grant [Grant]
      # @param switches [Switches]
      # @return [Array(Symbol, Symbol), nil] the level, and what lowered it (:suspended, :ended, :guests_off, :public_off,
      #   :holder_cap, :person_cap or nil); nil if the grant does not name the viewer
      def effect(grant, switches)
        return unless named_by?(grant.holder)
        return [ :none, :suspended ] if suspended?
        return [ :none, :ended ] if grant.ended?(switches.day)

        outside = role == :outside || (role == :guest && !switches.guests)
        return [ :none, :guests_off ] if outside && grant.holder.kind != :anyone
        return [ :none, :public_off ] if grant.holder.kind == :anyone && !switches.public_addresses

        capped(grant, outside ? :read : PERSON_CAPS.fetch(role))
      end

      # @return [Array<Holder>] those that name this viewer, whatever comes of it
      def names
        @names ||= [ Holder.new(:person, id), Holder.everyone, Holder.anyone, *groups.map { |group| Holder.new(:group, group) } ].select { |holder| named_by?(holder) }
      end

      # The holders through which this viewer can have a level; what the database is asked with.
      #
      # @return [Array<Holder>]
      def holders(level, switches)
        names.select do |holder|
          given, = effect(Grant.new(holder, :keep), switches)
          given && Level.at_least?(given, level)
        end
      end

      PERSON_CAPS = { member: :keep, guest: :write }.freeze
      private_constant :PERSON_CAPS

      private

      def capped(grant, person_cap)
        by_holder = Level.lower(grant.level, grant.holder.cap)
        level = Level.lower(by_holder, person_cap)
        reason = :holder_cap if by_holder != grant.level
        reason = :person_cap if level != by_holder
        [ level, reason ]
      end
    end
  end
end
