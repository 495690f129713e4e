# Taking an edition back: readers see the one before it, and nothing tells of it any more but the history that keepers see.
module Page::Retracting
  # What is read off the edition that readers see, whichever that is.
  SHOWN_BY = %w[Section CountedPage Passage Reference Forwarding PartsLedTo Task RemarkPlace].freeze

  # @param edition [Edition] one of this page
  # @param reason [String]
  # @return [Retraction] with errors if something is missing
  def retract(edition, reason:, by:, at: Time.current)
    transaction do
      reload
      made = Retraction.new(edition: edition, person: by, reason: reason, created_at: at)
      next made unless made.valid?

      made.save!
      hand_back_to_writers(edition)
      show(editions.standing.newest_first.first) if edition.id == edition_id
      PageFile.close_unshown(self)
      Happening.write(:retracted, self, by: by, at: at, edition: edition.number, reason: made.reason)
      made
    end
  end

  # @param viewer [Viewer]
  # @return [ActiveRecord::Relation<Edition>] those that the viewer may look at
  def editions_seen_by(viewer)
    Zuhause::Access::Level.at_least?(viewer.level_on(self), :keep) ? editions : editions.standing
  end

  private

  # What it held is the draft's alone now.
  def hand_back_to_writers(edition)
    people = EditionWriter.where(edition: edition).pluck(:person_id)
    Changer.insert_all(people.map { |id| { page_id: self.id, person_id: id } }, unique_by: %i[page_id person_id]) if people.any? && edition.id == edition_id
  end

  # @param older [Edition, nil]
  def show(older)
    update!(edition: older, title: older ? older.title : draft.title)
    return SHOWN_BY.each { |follower| follower.constantize.follow_edition(self, older) } if older

    [ Section, CountedPage, Passage, Task ].each { |shown| shown.where(page: self).delete_all }
    ReferenceRows.of_text(self, "edition", []).write
    RemarkPlace.let_go(self)
  end
end
