# Whether a page helped somebody who read it: one answer of each, which they can change, with a word to those who keep it.
class HelpAnswer < ApplicationRecord
  LONGEST = 300 # characters

  belongs_to :page
  belongs_to :person

  normalizes :words, with: ->(words) { words.to_s.squish }
  validates :words, length: { maximum: LONGEST }

  # Readers whom it did not help since somebody last confirmed it, and whom nobody has heard yet.
  scope :waiting, -> { where(helped: false, seen_at: nil).joins("JOIN check_dates ON check_dates.page_id = help_answers.page_id").where("help_answers.created_at >= check_dates.base_at") }

  class << self
    # @param words [String, nil] nil leaves them as they are
    # @return [HelpAnswer] with errors if the words will not do
    def give(page, by:, helped:, words: nil, at: Time.current)
      answer = find_or_initialize_by(page: page, person: by)
      answer.assign_attributes(helped: helped, seen_at: nil, created_at: at)
      answer.words = words if words
      answer.tap(&:save)
    rescue ActiveRecord::RecordNotUnique
      retry
    end

    # @return [HelpAnswer, nil] of this person, if it was given since somebody last confirmed the page
    def of(page, person)
      person && joins("JOIN check_dates ON check_dates.page_id = help_answers.page_id").where("help_answers.created_at >= check_dates.base_at").find_by(page: page, person: person)
    end
  end

  # Whoever keeps the page has heard it.
  def see(at: Time.current)
    update!(seen_at: at)
  end
end
