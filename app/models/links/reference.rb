# One link of a page's draft or edition, so that what points where can be asked of the database.
class Reference < ApplicationRecord
  include FollowsText

  class << self
    private

    def rows_for(points)
      points.reject { |reference| reference.use == :cite }.map { |reference| row_for(reference) }
    end

    def row_for(reference)
      target = reference.target
      { use: reference.use.to_s, target: target.to_s, target_kind: target.kind.to_s, target_page: (target.value if target.kind == :page),
        promised_title: (Zuhause::Document::Title.normalise(target.value) if target.kind == :promise),
        block_id: reference.block_id, label: reference.label, context: reference.context }
    end
  end
end
