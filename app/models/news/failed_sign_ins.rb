# How many sign-ins have failed in each hour. Which address was typed is kept nowhere: it may be a password, or tell who is
# of the house.
class FailedSignIns < ApplicationRecord
  self.table_name = "failed_sign_ins"

  KEPT = 365.days

  scope :newest_first, -> { order(hour: :desc) }

  def self.note(now: Time.current)
    upsert({ hour: now.utc.beginning_of_hour, count: 1 }, unique_by: :hour, on_duplicate: Arel.sql("count = count + 1"))
    where(hour: ...(now - KEPT)).delete_all
  end
end
