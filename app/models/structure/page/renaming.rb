# Changing the title alone, without publishing whatever else is in the draft.
module Page::Renaming
  # @param title [String] cleaned here
  # @return [Boolean] false, with an error, for a title that will not do
  def rename(title, by:, at: Time.current)
    title = Zuhause::Document::Title.clean(title)
    transaction do
      reload
      old = self.title
      self.title = title
      next false unless valid?
      next true if title == old

      rename_draft(title, by: by, at: at) if draft.title == old
      rename_edition(title, by: by, at: at) if published?
      save!
    end
  rescue Page::Reviewed::Unreviewed
    errors.add(:title, :reviewed)
    false
  end

  private

  def rename_draft(title, by:, at:)
    published_draft = edition&.draft_version == draft.version
    @renamed = save_draft(draft.state.with(title: title), base_version: draft.version, by: by, at: at)
    @renamed = nil unless published_draft
  end

  # A draft without other changes stays without any.
  def rename_edition(title, by:, at:)
    issue(@renamed&.state || edition.state.with(title: title), draft: @renamed, by: by, note: I18n.t("editions.renamed_note"), small: true, at: at, act: :renamed)
  end
end
