# Earlier states of the draft: looked through, taken back, and thinned as they grow old.
module Page::Stated
  extend ActiveSupport::Concern

  THINNED_EVERY = 25 # saves

  # @return [ActiveRecord::Relation<Draft>] newest first; refused texts among them
  def states
    drafts.where.not(id: draft_id).order(id: :desc)
  end

  # Makes an earlier state the newest version; the one it takes the place of stays among the states.
  # @return [Draft]
  def take_back(state, by:, at: Time.current)
    save_draft(base_version: draft.version, save_id: SecureRandom.uuid, title: state.title, document: state.document, by: by, at: at)
  end

  # Refused texts stay: nobody may have seen yet that they were.
  def thin_states(now: Time.current)
    times = drafts.where.not(version: nil).pluck(:created_at)
    keep = Zuhause::Drafts::Thinning.kept(times, now: now)
    drafts.where.not(version: nil).where.not(id: draft_id).where.not(version: edition&.draft_version || -1).where.not(created_at: keep).delete_all
  end
end
