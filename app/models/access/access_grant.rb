# A level given on a room or page, as somebody gave it.
class AccessGrant < ApplicationRecord
  include Holding

  belongs_to :room, optional: true
  belongs_to :page, optional: true

  validates :holder, uniqueness: { scope: %i[room_id page_id person_id group_id ends_on] }

  scope :ending, -> { where.not(ends_on: nil) }

  def ended?
    to_grant.ended?(House.today)
  end

  def place
    page || room
  end
end
