module Zuhause
  module Review
    # Everything that can happen to a review, in every state it can be in. What is not here is refused.
    module Table
      STATES = %i[unasked asked approved sent_back withdrawn published lapsed free].freeze
      OPEN = %i[asked approved].freeze
      # What people do: asking, approving, taking an approval back, sending back, withdrawing, publishing; and what happens
      # besides: the draft changes, the rules do, those who could approve go, the page goes into the bin, comes back, is joined
      # to another or moved.
      ACTS = %i[ask approve unapprove send_back withdraw publish change rules people bin put_back join move].freeze

      # Who does it. +:writer+ may write the page, +:approver+ may approve by the rules at that moment, +:asker+ asked for it.
      WHO = { ask: %i[writer], approve: %i[approver], unapprove: %i[approver], send_back: %i[approver], withdraw: %i[asker writer], publish: %i[writer] }.freeze

      # The state after each act; :judged is worked out anew (Standing), :same stays as it is.
      AFTER = {
        unasked: { ask: :asked },
        asked: { approve: :judged, unapprove: :judged, send_back: :sent_back, withdraw: :withdrawn },
        approved: { approve: :judged, unapprove: :judged, send_back: :sent_back, withdraw: :withdrawn, publish: :published },
        sent_back: { ask: :asked },
        withdrawn: { ask: :asked },
        published: { ask: :asked },
        lapsed: { publish: :published, withdraw: :withdrawn },
        free: { publish: :published }
      }.freeze

      # What happens by itself, whatever the state: an open review is judged anew, one of a page that goes is withdrawn.
      BESIDES = { change: :judged, rules: :judged, people: :judged, move: :judged, put_back: :same, bin: :withdrawn, join: :withdrawn }.freeze

      module_function

      # @param state [Symbol] one of {STATES}
      # @param act [Symbol] one of {ACTS}
      # @return [Symbol, nil] the state after it, :judged, or :same; nil where it cannot be
      # @raise [KeyError] for a state or an act that is not there
      def after(state, act)
        raise KeyError, act.to_s unless ACTS.include?(act)

        from = AFTER.fetch(state)
        return from[act] unless BESIDES.key?(act)

        OPEN.include?(state) || state == :lapsed ? BESIDES.fetch(act) : :same
      end

      # @param who [Array<Symbol>] what somebody is to the page and the review, of :writer, :approver and :asker
      # @return [Boolean] whether such a one may do it in that state
      def may?(state, act, who)
        !after(state, act).nil? && (WHO.fetch(act) & who).any?
      end
    end
  end
end
