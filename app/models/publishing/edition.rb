# One published state of a page, never changed afterwards.
class Edition < ApplicationRecord
  include Texted

  belongs_to :author, class_name: "Person"
  has_one :retraction
  has_many :edition_writers
  has_many :writers, through: :edition_writers, source: :person

  normalizes :note, with: ->(note) { Zuhause::Document::Title.clean(note) }
  validates :note, length: { maximum: 300 }

  scope :newest_first, -> { order(number: :desc) }
  # Those that were not taken back.
  scope :standing, -> { where.not(id: Retraction.select(:edition_id)) }

  def to_param
    number.to_s
  end

  def readonly?
    persisted?
  end
end
