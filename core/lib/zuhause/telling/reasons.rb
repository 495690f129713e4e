module Zuhause
  module Telling
    # Why somebody is told, and of which acts. Whoever is told for several reasons is told once, for the first of them.
    module Reasons
      # In the order in which they count.
      ALL = %i[named answered review access notice keeping following].freeze
      # What is meant for somebody, and not for all who care for a page.
      PERSONAL = %i[named answered review access notice].freeze
      # What comes of following can be stopped at what is followed; what comes of keeping for one page.
      GENERAL = (ALL - PERSONAL).freeze

      # How it comes by mail.
      WAYS = %i[at_once daily weekly never].freeze
      DEFAULT_WAYS = { named: :at_once, answered: :at_once, review: :at_once, access: :never, notice: :at_once, keeping: :daily, following: :daily }.freeze

      # Acts of Happenings::Acts that people are told of, with the reasons there are for it. What was said or done by mail in its own
      # right, such as letting somebody in, has no mail of the news.
      TABLE = {
        published: %i[keeping following], restored: %i[keeping following], put_aside: %i[keeping following], taken_up: %i[keeping following],
        outdated: %i[keeping following], brought_up_to_date: %i[keeping following], check_ahead: %i[keeping], check_due: %i[keeping], check_late: %i[keeping],
        named: %i[named], addressed: %i[named],
        noted: %i[keeping following], proposed: %i[keeping following], asked: %i[keeping following], spoken: %i[keeping following],
        replied: %i[answered keeping following], answer_chosen: %i[answered], words_taken: %i[answered], words_declined: %i[answered], remark_settled: %i[answered],
        review_asked: %i[review], review_approved: %i[review], review_sent_back: %i[review],
        given: %i[access], notice_given: %i[notice]
      }.freeze

      module_function

      # @param act [Symbol, String]
      # @return [Array<Symbol>] in the order in which they count; empty for what nobody is told of
      def of(act)
        TABLE.fetch(act.to_sym, [])
      end

      # One reason for each: the first that holds. Nobody is told of what they did themselves, and small changes are announced to
      # nobody but to whom they are meant for.
      #
      # @param act [Symbol, String]
      # @param people [Hash{Symbol=>Enumerable<Object>}] by reason, ids of those for whom it holds
      # @param by [Object, nil] the id of who did it
      # @param small [Boolean]
      # @return [Hash{Object=>Symbol}] the reason for each
      def each_once(act, people, by: nil, small: false)
        reasons = small ? of(act) & PERSONAL : of(act)
        reasons.sort_by { |reason| ALL.index(reason) }.each_with_object({}) do |reason, told|
          people.fetch(reason, []).each { |id| told[id] ||= reason unless id == by }
        end
      end

      # @param reason [Symbol]
      # @param chosen [Hash{Symbol=>Symbol}] ways that somebody has chosen
      # @return [Symbol] one of {WAYS}
      def way(reason, chosen = {})
        found = chosen[reason]
        WAYS.include?(found) ? found : DEFAULT_WAYS.fetch(reason)
      end
    end
  end
end
