# That a page's draft or edition cites a source.
class Citation < ApplicationRecord
  include FollowsText

  belongs_to :source

  class << self
    private

    def rows_for(points)
      ids = points.select { |reference| reference.use == :cite }.map { |reference| reference.target.value }
      ids.any? ? Source.where(public_id: ids).ids.map { |id| { source_id: id } } : []
    end
  end
end
