# What texts point to, as far as somebody may know: in editions that they read, and in drafts that they see.
module SeenReferences
  # @param references [ActiveRecord::Relation<Reference>]
  # @param viewer [Viewer]
  # @return [ActiveRecord::Relation<Reference>] joined with their pages
  def self.of(references, viewer)
    all = references.joins(:page)
    all.merge(Page.read_by(viewer)).where(stage: "edition").or(all.merge(Page.drafts_seen_by(viewer)).where(stage: "draft"))
  end
end
