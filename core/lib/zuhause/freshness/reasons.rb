module Zuhause
  module Freshness
    # Why somebody should look at a page: each with what of the page it is about, and what mends it.
    module Reasons
      # +aspect+: one of {ASPECTS}; +mends+: acts, of which each puts an end to it.
      Reason = Struct.new(:aspect, :mends, keyword_init: true)

      # What a page is looked at for, in the order in which it is drawn.
      ASPECTS = %i[checked kept read sources answers links days].freeze

      TABLE = {
        overdue: Reason.new(aspect: :checked, mends: %i[check edit outdate]),
        outdated: Reason.new(aspect: :checked, mends: %i[edit put_aside bin]),
        unkept: Reason.new(aspect: :kept, mends: %i[grant take_over]),
        unread: Reason.new(aspect: :read, mends: %i[check put_aside bin]),
        sources: Reason.new(aspect: :sources, mends: %i[check edit]),
        inserts: Reason.new(aspect: :sources, mends: %i[check edit]),
        asked: Reason.new(aspect: :answers, mends: %i[answer edit check]),
        broken: Reason.new(aspect: :links, mends: %i[mend edit]),
        gone: Reason.new(aspect: :links, mends: %i[mend edit]),
        passed: Reason.new(aspect: :days, mends: %i[check edit])
      }.freeze

      UNREAD = 12 # months in which nobody has read it
      ASKED = 3 # open questions, and readers whom it did not help

      module_function

      # @param aspect [Symbol] of {ASPECTS}
      # @return [Array<Symbol>]
      def of(aspect)
        TABLE.select { |_name, reason| reason.aspect == aspect }.keys
      end
    end
  end
end
