# A record whose title keeps to the rules for titles of pages.
module Titled
  extend ActiveSupport::Concern

  included do
    validate :title_fits
  end

  private

  def title_fits
    problem = Zuhause::Document::Title.problem(title.to_s)
    errors.add(:title, problem, count: Zuhause::Document::Title::LENGTH.end) if problem
  end
end
