# One saved version of a page's draft. Without a version it was refused: somebody else had saved meanwhile.
class Draft < ApplicationRecord
  belongs_to :page
  belongs_to :author, class_name: "Person"

  attribute :new_ids, default: -> { {} }

  validates :save_id, format: { with: /\A[\w-]{4,64}\z/ }
  validate :title_fits

  def refused?
    version.nil?
  end

  private

  def title_fits
    problem = Zuhause::Document::Title.problem(title.to_s)
    errors.add(:title, problem, count: Zuhause::Document::Title::LENGTH.end) if problem
  end
end
