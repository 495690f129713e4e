# Earlier states of the draft: looked through, taken back, and thinned as they grow old.
module Page::Stated
  extend ActiveSupport::Concern

  extend ActiveSupport::Concern

  THINNED_EVERY = 25 # saves

  class_methods do
    # Each page by itself, so that nobody waits for long.
    def thin_all_states(now: Time.current)
      ids = Draft.where.not(version: nil).group(:page_id).having("COUNT(*) > 1").pluck(:page_id)
      ids.each { |id| transaction { find_by(id: id)&.thin_states(now: now) } }
    end
  end

  # @return [ActiveRecord::Relation<Draft>] newest first; refused texts among them
  def states
    drafts.where.not(id: draft_id).order(id: :desc)
  end

  # Makes an earlier state the newest version; the one it takes the place of stays among the states.
  # @return [Draft]
  def take_back(state, by:, at: Time.current)
    save_draft(ticked_since(state, state.created_at), base_version: draft.version, by: by, at: at)
  end

  # Refused texts stay: nobody may have seen yet that they were.
  def thin_states(now: Time.current)
    times = drafts.where.not(version: nil).pluck(:created_at)
    keep = Zuhause::Drafts::Thinning.kept(times, now: now)
    drafts.where.not(version: nil).where.not(id: draft_id).where.not(version: [ edition&.draft_version || -1, *timed_publication&.draft_version ]).where.not(created_at: keep).delete_all
    Text.prune(self)
  end
end
