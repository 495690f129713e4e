# What texts point to, as far as somebody may know: in editions that they read, and in drafts that they see.
module SeenReferences
  # Those that are asked about are few among all, and of one kind or one target: they come first, then their pages.
  JOIN = "CROSS JOIN pages ON pages.id = \"references\".page_id".freeze

  # @param references [ActiveRecord::Relation<Reference>]
  # @param viewer [Viewer]
  # @param within [ActiveRecord::Relation<Page>, nil] in whose texts
  # @return [ActiveRecord::Relation<Reference>] joined with their pages
  def self.of(references, viewer, within: nil)
    all = references.joins(JOIN)
    all = all.where('+"references".page_id IN (?)', within.select(:id)) if within # which is no way to find them by
    all.where(of_stage("edition", viewer.reading(Page.arel_table)).or(of_stage("draft", viewer.seeing(:draft))))
  end

  def self.of_stage(stage, seen)
    Reference.arel_table[:stage].eq(stage).and(seen)
  end
  private_class_method :of_stage
end
