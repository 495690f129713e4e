module Zuhause
  module Access
    # The one table of what each act needs.
    module Acts
      # +level+: on the page or room; +sight+: of the page; +office+: in the house (:member or :administrator); +open+:
      # whether the room must not be archived, since an archived room is closed to writing.
      Need = Struct.new(:level, :sight, :office, :open, keyword_init: true)

      reading = Need.new(level: :read, sight: :edition)
      commenting = Need.new(level: :comment, sight: :edition, open: true)
      writing = Need.new(level: :write, sight: :draft, open: true)
      keeping = Need.new(level: :keep)
      administering = Need.new(office: :administrator)

      TABLE = {
        read: reading, look_over: Need.new(level: :read, sight: :draft), pin: reading, copy: reading, answer_help: Need.new(level: :read, sight: :edition, open: true),
        tick: commenting, comment: commenting,
        edit: writing, rename: writing, publish: writing, bin: writing, put_back: writing, add_subpage: writing, tag: writing,
        add_page: Need.new(level: :write, open: true), see_bin: Need.new(level: :write),
        grant: keeping, template: keeping, own_list: keeping, review_rules: keeping, retract: Need.new(level: :keep, sight: :edition), give_notice: Need.new(level: :keep, sight: :edition), check: Need.new(level: :keep, sight: :edition, open: true), check_rules: keeping, outdate: writing, see_readers: Need.new(level: :keep, sight: :edition), put_aside: writing, erase: keeping, join: Need.new(level: :keep, sight: :draft, open: true), archive: keeping, describe_room: keeping,
        make_room: Need.new(office: :member), terms: Need.new(office: :member),
        people: administering, groups: administering, house: administering, take_over: administering, order_rooms: administering,
        read_mails: administering, read_record: administering
      }.freeze

      module_function

      # @param act [Symbol] a key of {TABLE}
      # @param viewer [Viewer]
      # @param level [Symbol] the viewer's level on the page or room concerned
      # @param sight [Symbol] what the viewer sees of the page concerned; for a room, leave it out
      # @param archived [Boolean] whether the room concerned is archived
      # @raise [KeyError] for an act that is not in the table
      def may?(act, viewer, level: :none, sight: :draft, archived: false)
        need = TABLE.fetch(act)
        return false if need.open && archived
        return false if need.office == :member && !viewer.active_member?
        return false if need.office == :administrator && !viewer.administrator?

        (need.level.nil? || Level.at_least?(level, need.level)) && (need.sight.nil? || Sight.at_least?(sight, need.sight))
      end

      # Moving needs write on the page, its old and its new place; where its effective grants would differ, keep on
      # the page as well.
      #
      # @param place [Place] the page where it is
      # @param above [Place] the page or room that it is to stand in
      def move?(viewer, place, above, switches)
        needed = [ place, place.above, above ].uniq
        return false if needed.any?(&:archived?)
        return false unless needed.all? { |each| Level.at_least?(Access.level(viewer, each, switches), :write) }

        moved = Place.new(place.id, grants: place.grants, own_list: place.own_list?, above: above)
        List.of(moved) == List.of(place) || Access.level(viewer, place, switches) == :keep
      end
    end
  end
end
