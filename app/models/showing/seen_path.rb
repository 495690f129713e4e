# The pages above a page that a viewer sees, from the outside in.
class SeenPath
  # @return [Array<Page>]
  def self.of(page, viewer)
    return [] if page.root? || !page.persisted?

    page.seen_path ||= Page.seen_by(viewer).where(id: page.ancestor_ids).sort_by(&:depth)
  end
end
