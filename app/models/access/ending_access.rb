# What is given up to a day: told of some days ahead and once it has ended, and let go of a while after. Whether it counts is judged
# whenever somebody asks, and never waits for this.
class EndingAccess
  AHEAD = 3 # days
  KEPT = 30 # days after it has ended, in which it can be renewed

  # @param today [Date]
  def initialize(today = House.today)
    @today = today
  end

  def run
    ahead.find_each { |grant| tell(grant, :ending, :told_ahead_at) }
    ended.where(told_ended_at: nil).find_each { |grant| tell(grant, :ended, :told_ended_at) }
    ended.where(ends_on: ...(@today - KEPT)).find_each { |grant| grant.place.change_access { AccessGrant.where(id: grant.id).delete_all } }
  end

  private

  # Whoever got it for few days knows.
  def ahead
    AccessGrant.where(told_ahead_at: nil, ends_on: @today..(@today + AHEAD)).where("julianday(ends_on) - julianday(created_at) > ?", AHEAD)
  end

  def ended
    AccessGrant.where(ends_on: ...@today)
  end

  def tell(grant, act, column)
    grant.transaction do
      next unless AccessGrant.where(id: grant.id, column => nil).update_all(column => Time.current) == 1

      Happening.write(act, grant.place, by: nil, holder: Holding.key(grant.to_grant.holder), level: grant.level, ends_on: grant.ends_on.iso8601)
    end
  end
end
