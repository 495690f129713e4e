# One saved version of a page's draft. Without a version it was refused: somebody else had saved meanwhile.
class Draft < ApplicationRecord
  include Titled, Texted

  belongs_to :author, class_name: "Person"

  attribute :new_ids, default: -> { {} }

  # @return [#call, nil] what Attribution worked out ahead
  attr_accessor :attributed

  validates :save_id, format: { with: /\A[\w-]{4,64}\z/ }

  def refused?
    version.nil?
  end
end
