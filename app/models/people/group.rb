class Group < ApplicationRecord
  include PubliclyIdentified, Keeping

  has_many :memberships, dependent: :delete_all
  has_many :people, -> { by_name }, through: :memberships

  normalizes :name, with: ->(name) { Zuhause::Document::Title.clean(name) }
  validates :name, presence: true, length: { maximum: 80 }, uniqueness: { case_sensitive: false }

  scope :by_name, -> { order(:name) }

  # Members know all groups, guests those they belong to, others none.
  def self.known_to(viewer)
    viewer.active_member? ? all : where(id: viewer.subject.groups)
  end

  # @param people [Enumerable<Person>] who would belong to it
  # @return [Zuhause::Access::Exposure]
  def exposure_with(people)
    now, later = self.people.to_a, people.to_a
    different = (now | later) - (now & later)
    Exposed.of_house(people_after: different.to_h { |person| [ person.id, person.to_viewer(person.memberships.pluck(:group_id) - [ id ] + (later.include?(person) ? [ id ] : [])) ] })
  end

  # Deletes it with all that was given to it.
  # @return [Boolean] false, with an error, if somewhere the last keeper would go
  def remove(by: nil)
    keeping_all_kept do
      Happening.write(:group_removed, self, by: by)
      places = AccessGrant.where(group: self).map(&:place)
      AccessGrant.where(group: self).delete_all
      places.each { |place| place.class.find(place.id).refresh_access_lists }
      destroy!
    end
  end

  # What is given to it is opened to those who join it: recorded where it is given, and told to who keeps that.
  #
  # @param by [Person, nil] who changes it
  # @return [Boolean] false, with errors, if something is missing or somewhere the last keeper would go
  def change(name:, people:, by: nil)
    self.name = name
    return false unless valid?

    keeping_all_kept do
      act = new_record? ? :group_made : :group_changed
      save!
      before = self.people.reload.to_a # others may have joined since it was read
      self.people = people
      joined, left = people.to_a - before, before - people.to_a
      Happening.write(act, self, by: by, joined: joined.map(&:public_id), left: left.map(&:public_id))
      record_joined(joined, by) if joined.any?
    end
  end

  private

  def record_joined(joined, by)
    AccessGrant.where(group: self).map(&:place).each do |place|
      Happening.write(:joined, place, by: by, holder: "group:#{public_id}", people: joined.map(&:public_id))
    end
  end
end
