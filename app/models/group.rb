class Group < ApplicationRecord
  include Keeping

  has_many :memberships, dependent: :delete_all
  has_many :people, -> { by_name }, through: :memberships

  normalizes :name, with: ->(name) { Zuhause::Document::Title.clean(name) }
  validates :name, presence: true, length: { maximum: 80 }, uniqueness: { case_sensitive: false }

  scope :by_name, -> { order(:name) }

  # Members know all groups, guests those they belong to, others none.
  def self.known_to(viewer)
    viewer.active_member? ? all : where(id: viewer.subject.groups)
  end

  # @return [Boolean] false, with errors, if something is missing or somewhere the last keeper would go
  def change(name:, people:)
    self.name = name
    return false unless valid?

    keeping_all_kept do
      save!
      self.people = people
    end
  end
end
