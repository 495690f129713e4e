# Whether a page is still true.
module Page::CaredFor
  extend ActiveSupport::Concern

  included do
    has_one :check_date
    has_one :out_of_date_mark
    has_many :checks
    has_many :help_answers

    # Pages that somebody should see to if there is reason: not those put aside, in archived rooms, in the practice room, or from which
    # others are begun.
    scope :in_care, -> { where(cared_for) }
  end

  class_methods do
    # The same for everybody, and asked for many times on one screen: worked out once.
    def cared_for
      @cared_for ||= begin
        pages = unscoped.where(room_id: Room.in_use.in_earnest.select(:id)).where.not(id: Template.select(:page_id)).where.not(id: PutAside.pages)
        pages.arel.constraints.inject(:and)
      end
    end
  end
end
