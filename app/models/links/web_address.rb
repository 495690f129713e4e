# An address of another site that something leads to, and what came of asking for it last.
class WebAddress < ApplicationRecord
  # What somebody should look at.
  TOLD = %w[gone moved silent].freeze

  scope :due, ->(now) { where(due_at: ..now).order(:due_at, :id) }

  class << self
    # Rows for all that is led to, and for nothing else.
    def gather(now: Time.current)
      known = Reference.where(target_kind: "web").distinct.pluck(:target_id)
      there = pluck(:address)
      rows = (known - there).filter_map { |address| (uri = Zuhause::Addresses.askable(address)) && { address: address, host: uri.host.downcase, due_at: now } }
      rows.each_slice(500) { |some| insert_all(some) }
      (there - known).each_slice(500) { |some| where(address: some).delete_all }
    end
  end

  # @param outcome [Zuhause::Addresses::Outcome]
  def note(outcome, now: Time.current)
    fails = outcome.fails? ? self.fails + 1 : 0
    update!(state: outcome.state.to_s, moved_to: outcome.moved_to, fails: fails, checked_at: now, due_at: now + Zuhause::Addresses.rest(fails))
  end
end
