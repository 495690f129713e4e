# An address that gives a level on a place to members who open it, up to a last day. It holds as long as whoever drew the circle keeps
# the place, and the house allows circles; what it gave is kept. One without a last day is the joining address of a room: there is
# one at most, it is the room's rather than its keeper's, and gives for good.
class Circle < ApplicationRecord
  include PubliclyIdentified, Tokened

  LEVELS = %w[read comment write].freeze
  LONGEST = 1.year

  belongs_to :room, optional: true
  belongs_to :page, optional: true
  belongs_to :keeper, class_name: "Person"

  enum :level, Viewer::LEVELS, prefix: :may

  validates :level, inclusion: { in: LEVELS }
  validates :room, presence: true, if: :joining?
  validates :ends_on, comparison: { greater_than_or_equal_to: -> { House.today }, less_than_or_equal_to: -> { House.today + LONGEST }, allow_nil: true }

  scope :standing, -> { where(ended_at: nil).merge(where(ends_on: House.today..).or(where(ends_on: nil))) }
  scope :joining, -> { where(ended_at: nil, ends_on: nil) }
  scope :up_to_a_day, -> { where.not(ends_on: nil) }
  scope :of, ->(place) { place.is_a?(Page) ? where(page: place) : where(room: place, page: nil) }

  # @param ends_on [Date, nil] nil for the joining address of a room
  # @return [Array(Circle, String)] with errors if something will not do; and the token, which is told once
  def self.draw(place, level:, ends_on:, by:)
    token = fresh_token
    circle = new(room: (place if place.is_a?(Room)), page: (place if place.is_a?(Page)), level: (level if LEVELS.include?(level)), ends_on: ends_on, keeper: by, token_digest: digest(token), created_at: Time.current)
    transaction { circle.save && Happening.write(:circle_drawn, place, by: by, level: level, ends_on: ends_on&.iso8601, circle: circle.public_id) }
    [ circle, token ]
  end

  # Gives a room a joining address, in place of the one it had: that opens nothing any more.
  # @return [Array(Circle, String)] see draw
  def self.renew(room, level:, by:)
    transaction do
      joining.of(room).each { |circle| circle.end(by: by) }
      draw(room, level: level, ends_on: nil, by: by).tap { |circle, _token| raise ActiveRecord::Rollback unless circle.persisted? }
    end || [ new, nil ]
  end

  # @return [Circle, nil] one that holds
  def self.at(token)
    standing.find_by(token_digest: digest(token))&.then { |circle| circle if circle.holds? }
  end

  def place
    page || room
  end

  def joining?
    ends_on.nil?
  end

  # @param house [House] as it is set, or would be
  def holds?(house = House.current)
    return false if !house.circles? || page&.binned? || place.room.archived?
    return true if joining?

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
