class Group < ApplicationRecord
  has_many :memberships, dependent: :delete_all
  has_many :people, -> { by_name }, through: :memberships

  normalizes :name, with: ->(name) { Zuhause::Document::Title.clean(name) }
  validates :name, presence: true, length: { maximum: 80 }, uniqueness: { case_sensitive: false }

  scope :by_name, -> { order(:name) }
end
