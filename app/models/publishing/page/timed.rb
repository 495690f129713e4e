# Publishing at a set time.
module Page::Timed
  extend ActiveSupport::Concern

  included do
    has_one :timed_publication
  end

  # @param due_at [Time]
  # @param version [Integer] the draft's version that was seen when deciding to
  # @return [TimedPublication] with errors if what is given will not do
  # @raise [Page::Publishing::Stale, Page::Publishing::Unchanged, Page::Publishing::Unsettled, Page::Reviewed::Unreviewed]
  def publish_later(due_at:, version:, by:, note: "", small: false, at: Time.current)
    transaction do
      reload
      raise Page::Publishing::Stale unless draft.version == version
      raise Page::Publishing::Unchanged unless unpublished_changes?
      raise Page::Publishing::Unsettled if unsettled.positive?
      raise Page::Reviewed::Unreviewed unless publishable?(small: small)

      TimedPublication.set(self, due_at: due_at, by: by, note: note, small: small, at: at)
    end
  end

  # @param timed [TimedPublication] that is due
  # @return [Edition]
  # @raise [Page::Publishing::Unchanged, Page::Publishing::Unsettled, Page::Reviewed::Unreviewed]
  def publish_as_set(timed, at:)
    transaction do
      set = drafts.find_by!(version: timed.draft_version)
      raise Page::Publishing::Unchanged if edition&.state&.same?(set.state)
      raise Page::Publishing::Unsettled if Zuhause::Merging.open_in(set.document).positive?

      issue(set.state, draft: set, by: timed.person, note: timed.note, small: timed.small, at: at)
    end
  end
end
