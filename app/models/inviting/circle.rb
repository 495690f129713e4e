# An address that gives a level on a place to members who open it, up to a last day. It holds as long as whoever drew the circle keeps
# the place, and the house allows circles; what it gave is kept.
class Circle < ApplicationRecord
  include PubliclyIdentified, Tokened

  LEVELS = %w[read comment write].freeze
  LONGEST = 1.year

  belongs_to :room, optional: true
  belongs_to :page, optional: true
  belongs_to :keeper, class_name: "Person"

  enum :level, Viewer::LEVELS, prefix: :may

  validates :level, inclusion: { in: LEVELS }
  validates :ends_on, presence: true, comparison: { greater_than_or_equal_to: -> { House.today }, less_than_or_equal_to: -> { House.today + LONGEST }, allow_nil: true }

  scope :standing, -> { where(ended_at: nil, ends_on: House.today..) }

  # @return [Array(Circle, String)] with errors if something will not do; and the token, which is told once
  def self.draw(place, level:, ends_on:, by:)
    token = fresh_token
    circle = new(room: (place if place.is_a?(Room)), page: (place if place.is_a?(Page)), level: (level if LEVELS.include?(level)), ends_on: ends_on, keeper: by, token_digest: digest(token), created_at: Time.current)
    transaction { circle.save && Happening.write(:circle_drawn, place, by: by, level: level, ends_on: ends_on.iso8601, circle: circle.public_id) }
    [ circle, token ]
  end

  # @return [Circle, nil] one that holds
  def self.at(token)
    standing.find_by(token_digest: digest(token))&.then { |circle| circle if circle.holds? }
  end

  def place
    page || room
  end

  def holds?
    return false if !House.current.circles? || (page && page.binned?)

    Viewer.new(keeper).then { |viewer| viewer.active_member? && viewer.level_on(place) == :keep }
  end

  # Gives it to somebody; who has as much already goes on as they are.
  def open_to(person)
    return if Zuhause::Access::Level.at_least?(Viewer.new(person).level_on(place), level.to_sym)

    holder = Zuhause::Access::Holder.new(:person, person.id)
    transaction do
      exposure = place.exposure_of_giving([ holder ], level.to_sym, ends_on: ends_on)
      place.record_access(:given, by: keeper, exposure: exposure, holder: holder, level: level, ends_on: ends_on) { place.grant(holder, level.to_sym, ends_on: ends_on) }
      self.class.where(id: id).update_all("opened = opened + 1")
    end
  end

  def end(by:, at: Time.current)
    transaction { self.class.where(id: id, ended_at: nil).update_all(ended_at: at) == 1 && Happening.write(:circle_ended, place, by: by, at: at, circle: public_id) }
  end
end
