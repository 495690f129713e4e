# What was said of a page on the way through its room.
class TourStop < ApplicationRecord
  belongs_to :tour
  belongs_to :page

  validates :said, inclusion: { in: Zuhause::Freshness::Round::SAID }
end
