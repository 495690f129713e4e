# That somebody approved a state of a page, by its digest.
class ReviewApproval < ApplicationRecord
  belongs_to :review
  belongs_to :person
end
