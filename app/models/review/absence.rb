# That somebody is away for some days, and who looks over pages in their place meanwhile.
class Absence < ApplicationRecord
  belongs_to :person
  belongs_to :deputy, class_name: "Person"

  validates :starts_on, :ends_on, presence: true
  validate :sensible

  scope :on, ->(day) { where(starts_on: ..day, ends_on: day..) }

  class << self
    # @param person_id [Integer]
    # @return [Array<Zuhause::Review::Right::Someone>] whom that person stands in for, with their groups now
    def stood_in_for(person_id, on: Date.current)
      ids = on(on).joins(:person).merge(Person.active).where(deputy_id: person_id).order(:id).pluck(:person_id)
      return [] if ids.empty?

      groups = Membership.where(person_id: ids).pluck(:person_id, :group_id).group_by(&:first)
      ids.map { |id| Zuhause::Review::Right::Someone.new(id: id, groups: groups.fetch(id, []).map(&:last)) }
    end

    # @param people [Array<Person>]
    # @return [Hash{Integer=>Person}] who stands in for those of them who are away, by their ids
    def deputies_of(people, on: Date.current)
      on(on).where(person: people).includes(:deputy).to_h { |absence| [ absence.person_id, absence.deputy ] }.reject { |_id, deputy| deputy.suspended? }
    end
  end

  private

  def sensible
    errors.add(:deputy, :oneself) if deputy_id && deputy_id == person_id
    errors.add(:deputy, :not_there) if deputy && (deputy.suspended? || deputy.guest?)
    return errors.add(:ends_on, :before_start) if starts_on && ends_on && ends_on < starts_on

    errors.add(:ends_on, :past) if ends_on&.past?
  end
end
