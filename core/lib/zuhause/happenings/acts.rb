module Zuhause
  module Happenings
    # The one table of what can happen and is worth keeping.
    module Acts
      # +about+: what it is done to (:page, :room, :place for either, :person, :group or :house); +news+: whether colleagues
      # are told of it, else it is for the record alone; +readers+: who may read that it happened, judged when they read;
      # +days+: how long it is kept, nil for good.
      #
      # Readers: :readers see the published page or the room; :hearers may read what is said there (of what is said to a draft
      # those who see that); :writers may write it, :keepers keep it, :administrators look after the house.
      Act = Struct.new(:about, :news, :readers, :days, keyword_init: true)

      YEAR = 365

      told = Act.new(about: :page, news: true, readers: :readers)
      seen = Act.new(about: :page, news: false, readers: :readers)
      written = Act.new(about: :page, news: false, readers: :writers)
      kept = Act.new(about: :place, news: false, readers: :keepers)
      said = Act.new(about: :place, news: true, readers: :hearers)
      heard = Act.new(about: :place, news: false, readers: :hearers)
      room = Act.new(about: :room, news: false, readers: :readers)
      person = Act.new(about: :person, news: false, readers: :administrators)
      group = Act.new(about: :group, news: false, readers: :administrators)
      house = Act.new(about: :house, news: false, readers: :administrators)
      coming = Act.new(about: :person, news: false, readers: :administrators, days: YEAR)

      TABLE = {
        published: told, restored: told, named: told,
        renamed: seen, names_set: seen, moved: seen, tagged: seen, taken_in: seen, split_off: seen, ticked: Act.new(about: :page, news: false, readers: :readers, days: YEAR),
        begun: written, discarded: written, binned: written, back: written, erased: written, file_added: written,
        brought_in: Act.new(about: :place, news: false, readers: :writers),
        invitation_sent: kept, invitation_withdrawn: kept, access_asked: kept, circle_drawn: kept, circle_ended: kept, given: kept, changed: kept, taken: kept, ending: kept, ended: kept, own_list_made: kept, own_list_ended: kept, joined: kept, stayed: kept, taken_over: kept,
        noted: said, proposed: said, asked: said, spoken: said, replied: said, addressed: said,
        remark_settled: said, remark_reopened: said, words_taken: said, words_declined: said, answer_chosen: said, remark_removed: heard,
        review_asked: written, review_approved: written, review_unapproved: written, review_sent_back: written, review_withdrawn: written, review_rules_set: kept, review_rules_ended: kept,
        publication_set: written, publication_unset: written, publication_held_up: written, publication_overtaken: written,
        put_aside: seen, taken_up: seen, outdated: seen, brought_up_to_date: seen, checked: seen, unchecked: seen, retracted: kept,
        check_ahead: kept, check_due: kept, check_late: kept, check_rules_set: kept, check_rules_ended: kept,
        room_made: room, room_changed: room, archived: room, reopened: room,
        invited: person, person_changed: person, role_changed: person, suspended: person, unsuspended: person, address_changed: person, password_changed: person,
        signed_in: coming, signed_out: coming,
        group_made: group, group_changed: group, group_removed: group,
        set_up: house, house_changed: house, house_invitation_sent: house, house_invitation_withdrawn: house, join_asked: house, pattern_made: house, pattern_changed: house, pattern_removed: house,
        notice_given: kept
      }.freeze

      module_function

      # @param act [Symbol, String]
      # @return [Act]
      # @raise [KeyError] for an act that is not in the table
      def fetch(act)
        TABLE.fetch(act.to_sym)
      end

      # @yieldparam act [Act]
      # @return [Array<String>] the names of those for which the block holds
      def named
        TABLE.select { |_name, act| yield act }.keys.map(&:to_s)
      end

      # @return [Hash{Integer=>Array<String>}] acts that are not kept for good, by the days that they are kept
      def passing
        TABLE.select { |_name, act| act.days }.group_by { |_name, act| act.days }.transform_values { |pairs| pairs.map { |name, _act| name.to_s } }
      end
    end
  end
end
