# How somebody wants to be told: by mail for which reason and when, and whether they follow what they write.
class NewsSetting < ApplicationRecord
  Reasons = Zuhause::Telling::Reasons

  belongs_to :person

  validates :letter_hour, inclusion: { in: 0..23 }
  validates :letter_day, inclusion: { in: 0..6 }
  validates :quiet_from, :quiet_until, inclusion: { in: 0..23 }, allow_nil: true
  validates :quiet_until, presence: true, if: :quiet_from
  validates :quiet_from, presence: true, if: :quiet_until
  validate { errors.add(:ways, :inclusion) unless ways.all? { |reason, way| Reasons::ALL.include?(reason.to_sym) && Reasons::WAYS.include?(way.to_sym) } }

  # @param person [Person]
  # @return [NewsSetting]
  def self.of(person)
    find_by(person: person) || new(person: person)
  end

  # @param reason [Symbol]
  # @return [Symbol] see Zuhause::Telling::Reasons::WAYS
  def way(reason)
    Reasons.way(reason, ways.transform_keys(&:to_sym).transform_values(&:to_sym))
  end

  # @return [Time, nil] when something leaves by mail
  def due(reason, at:)
    schedule.due(way(reason), at: at)
  end

  # @param last [Time] after which
  # @return [Time] when the next weekly letter leaves
  def next_weekly(last)
    schedule.due(:weekly, at: last)
  end

  private

  def schedule
    @schedule ||= Zuhause::Telling::Schedule.new(ActiveSupport::TimeZone::MAPPING.fetch(person.time_zone), quiet: ([ quiet_from, quiet_until ] if quiet_from), hour: letter_hour, weekday: letter_day)
  end
end
