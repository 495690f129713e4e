# Settling a remark, and opening it again.
module Remark::Settled
  extend ActiveSupport::Concern

  included do
    belongs_to :settled_by, class_name: "Person", optional: true
  end

  # @param viewer [Viewer] who may comment there
  # @return [Boolean] its author and whoever may write there settle it
  def settled_by?(viewer)
    author_id == viewer.person&.id || Zuhause::Access::Level.at_least?(viewer.level_on(place), :write)
  end

  def settle(by:, at: Time.current)
    return if done?

    transaction do
      update!(standing: "settled", settled_by: by, settled_at: at)
      tell(:remark_settled, by: by, at: at)
    end
  end

  # Words that were taken stand in the text by now.
  def reopen(by:, at: Time.current)
    return unless done? && standing != "taken"

    transaction do
      update!(standing: "open", settled_by: nil, settled_at: nil)
      judge
      tell(:remark_reopened, by: by, at: at)
    end
  end
end
