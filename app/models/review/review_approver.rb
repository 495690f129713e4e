# Somebody, or a group, who may approve by a rule.
class ReviewApprover < ApplicationRecord
  belongs_to :review_rule
  belongs_to :person, optional: true
  belongs_to :group, optional: true
end
