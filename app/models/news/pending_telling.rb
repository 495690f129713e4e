# That a listener is still to be told of a happening. Who takes it up holds it for a while; what fails, or is left by a
# process that ended, is taken up again later and later, and stops no other.
class PendingTelling < ApplicationRecord
  HELD = 5.minutes
  MOST = 12 # tries, over about two days

  belongs_to :happening

  scope :due, ->(now) { where(due_at: ..now).order(:id) }

  # @param pending [ActiveRecord::Relation<PendingTelling>]
  def self.tell(pending = all, now: Time.current)
    pending.due(now).includes(happening: %i[page room person]).each { |telling| telling.tell(now: now) }
  end

  def tell(now: Time.current)
    return unless take(now)

    listener.constantize.tell(happening)
    delete
  rescue StandardError => e
    Rails.error.report(e, handled: true, context: { listener: listener })
    tries >= MOST ? delete : self.class.where(id: id).update_all(due_at: now + HELD + (2**tries).minutes)
  end

  private

  # @return [Boolean] whether nobody else has taken it up
  def take(now)
    self.tries += 1
    self.class.where(id: id, due_at: due_at).update_all(due_at: now + HELD, tries: tries) == 1
  end
end
