# One published state of a page, never changed afterwards.
class Edition < ApplicationRecord
  include Texted

  belongs_to :author, class_name: "Person"

  normalizes :note, with: ->(note) { Zuhause::Document::Title.clean(note) }
  validates :note, length: { maximum: 300 }

  scope :newest_first, -> { order(number: :desc) }

  def to_param
    number.to_s
  end

  def readonly?
    persisted?
  end
end
