# That a page is out of date, for all who read or find it: with what to read instead, and a word on it.
class OutOfDateMark < ApplicationRecord
  LONGEST = 300 # characters

  belongs_to :page
  belongs_to :person, optional: true
  belongs_to :see, class_name: "Page", optional: true

  normalizes :words, with: ->(words) { words.to_s.squish }
  validates :words, length: { maximum: LONGEST }
  validate { errors.add(:see, :itself) if see_id && see_id == page_id }

  class << self
    # @param see [Page, nil] to read instead
    # @return [OutOfDateMark] with errors if it will not do
    def put(page, by:, words: "", see: nil, at: Time.current)
      transaction do
        mark = find_or_initialize_by(page: page)
        mark.assign_attributes(person: by, words: words, see: see, created_at: at)
        Happening.write(:outdated, page, by: by, at: at, note: mark.words.presence, see: see&.public_id) if mark.save
        mark
      end
    end

    # @param pages [Array<Page>]
    # @return [Hash{Integer=>OutOfDateMark}] by the page's id
    def of(pages)
      where(page_id: pages.map(&:id)).includes(:see).index_by(&:page_id)
    end
  end

  # @return [Page, nil] to read instead, for whoever may
  def see_for(viewer)
    see if see && viewer.sees?(see)
  end

  def end(by:, at: Time.current)
    transaction do
      delete
      Happening.write(:brought_up_to_date, page, by: by, at: at)
    end
  end
end
