# A page that somebody keeps at hand.
class Pin < ApplicationRecord
  belongs_to :person
  belongs_to :page
end
