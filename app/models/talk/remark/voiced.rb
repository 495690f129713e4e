# “I see this too”, “helped me”, “that is not it”: once a person.
module Remark::Voiced
  extend ActiveSupport::Concern

  included do
    has_many :voices, dependent: :delete_all
  end

  # @param kind [String] one of {#voice_kinds}
  def voice(kind, by:, at: Time.current)
    transaction do
      Voice.upsert({ remark_id: id, person_id: by.id, kind: kind, created_at: at }, unique_by: %i[remark_id person_id])
      parent&.judge
    end
  end

  def unvoice(by:)
    transaction do
      voices.where(person: by).delete_all
      parent&.judge
    end
  end

  # @return [Array<String>] what can be said of it by one click
  def voice_kinds
    parent&.kind == "question" ? %w[helped doubted] : %w[seen]
  end
end
