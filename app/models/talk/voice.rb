# What somebody says of a remark by one click; one of each person.
class Voice < ApplicationRecord
  KINDS = %w[seen helped doubted].freeze

  belongs_to :remark
  belongs_to :person
end
