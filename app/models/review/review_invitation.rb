# That somebody was asked by name to look a page over.
class ReviewInvitation < ApplicationRecord
  belongs_to :review
  belongs_to :person
end
