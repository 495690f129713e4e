module Zuhause
  module Access
    module_function

    # Who sees a page but not what is inserted in it.
    #
    # @param around [List] what the page grants
    # @param inside [List] what the inserted page grants
    # @param people [Enumerable<Viewer>]
    # @param published [Boolean] whether the inserted page is
    # @return [Array<Viewer>]
    def withheld(around, inside, people, switches, published: true)
      people.select do |person|
        Level.at_least?(around.level(person, switches), :read) && Sight.of(inside.level(person, switches), published: published) == :nothing
      end
    end

    # What a change of access, place or membership opens and closes: told before it is done.
    class Exposure
      # Pages that the change touches alike: what they grant before and after, whether they are published, and how many
      # they are (one if nothing is said). Lists that are one object are looked at once.
      Touched = Struct.new(:before, :after, :published, :number, keyword_init: true)

      # For one person: how many pages they would see that they do not see now, or see no more; and how many they would
      # go on seeing with a higher or lower level. Of each of these numbers, how many pages are not published.
      Shift = Struct.new(:person, :opened, :closed, :raised, :lowered, :drafts, keyword_init: true) do
        def any?
          [ opened, closed, raised, lowered ].any?(&:positive?)
        end
      end

      # @return [Array<Shift>] one for each person something changes for; somebody who is not signed in comes last
      attr_reader :shifts

      # An insert on one of those pages: what its page grants after the change, and what is granted of the page inserted.
      Inserted = Struct.new(:around, :inside, :published, keyword_init: true)

      # @return [Integer] inserts that some of those who gain would not be shown
      attr_reader :withheld

      # @param touched [Enumerable<Touched>]
      # @param inserts [Enumerable<Inserted>]
      # @param people [Enumerable<Viewer>] everybody, as they are before
      # @param people_after [Hash{Object=>Viewer}] those whom the change makes different, by id
      def initialize(touched, people, switches, switches_after: switches, people_after: {}, inserts: [])
        @switches, @switches_after = switches, switches_after
        @pages = alike(touched)
        @shifts = [ *people, Viewer.outside ].map { |person| shift(person, people_after.fetch(person.id, person)) }.select(&:any?)
        gaining = opened.map { |shift| people_after.fetch(shift.person.id, shift.person) }
        @withheld = inserts.count { |insert| Access.withheld(insert.around, insert.inside, gaining, switches_after, published: insert.published).any? }
      end

      # @return [Boolean] whether nobody would see or may do anything else than now
      def none?
        shifts.empty?
      end

      # @return [Array<Shift>] of people who would see pages they do not see now
      def opened
        shifts.select { |shift| shift.opened.positive? }
      end

      # @return [Array<Shift>] of people who would see pages no more
      def closed
        shifts.select { |shift| shift.closed.positive? }
      end

      # @return [Array<Shift>] of people who would only have another level on what they see
      def changed
        shifts - opened - closed
      end

      # @return [Boolean] whether nobody would see less or may do less than now
      def only_gains?
        shifts.all? { |shift| shift.closed.zero? && shift.lowered.zero? }
      end

      # @param kind [Symbol] a number of Shift
      # @return [Integer] the most pages that this kind of shift is about, for any one person
      def pages(kind)
        widest(kind)&.public_send(kind) || 0
      end

      # @return [Integer] how many of {#pages} are not published
      def drafts(kind)
        widest(kind)&.drafts&.fetch(kind) || 0
      end

      private

      def widest(kind)
        shifts.max_by { |shift| [ shift.public_send(kind), shift.drafts.fetch(kind) ] }
      end

      # @return [Array<Touched>] one for all that are alike
      def alike(touched)
        numbers = touched.each_with_object(Hash.new(0)) { |page, found| found[[ page.before, page.after, page.published ]] += page.number || 1 }
        numbers.map { |(before, after, published), number| Touched.new(before: before, after: after, published: published, number: number) }
      end

      # Only lists that name somebody can give them anything: of a thousand lists few do.
      def shift(person, after)
        counts, drafts = Hash.new(0), Hash.new(0)
        concerning(person, after).each do |page|
          kind = kind(page.before.level(person, @switches), page.after.level(after, @switches_after), page.published)
          next unless kind

          counts[kind] += page.number
          drafts[kind] += page.number unless page.published
        end
        kinds = %i[opened closed raised lowered]
        Shift.new(person: person, drafts: kinds.to_h { |kind| [ kind, drafts[kind] ] }, **kinds.to_h { |kind| [ kind, counts[kind] ] })
      end

      def concerning(person, after)
        unchanged = person.equal?(after) && @switches == @switches_after
        holders = [ person, after ].uniq.flat_map(&:names)
        touched = holders.flat_map { |holder| naming.fetch(holder, []) }.uniq(&:object_id)
        unchanged ? touched.reject { |page| page.before.equal?(page.after) } : touched
      end

      # @return [Hash{Holder=>Array<Touched>}] pages by who is named in what they grant, before or after
      def naming
        @naming ||= @pages.each_with_object({}) do |page, found|
          (page.before.holders | page.after.holders).each { |holder| (found[holder] ||= []) << page }
        end
      end

      def kind(old, new, published)
        saw, sees = [ old, new ].map { |level| Sight.of(level, published: published) != :nothing }
        return sees ? :opened : :closed if saw != sees
        return if old == new || !sees

        Level.rank(new) > Level.rank(old) ? :raised : :lowered
      end
    end
  end
end
