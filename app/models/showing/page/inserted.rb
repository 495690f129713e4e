# Where a page, or a passage of it, is shown live.
module Page::Inserted
  # @param passage [String, nil] the block id of one passage; else any of it
  # @return [ActiveRecord::Relation<Page>] pages whose edition shows it, of those that the viewer reads
  def shown_on(viewer, passage: nil)
    inserts = Reference.from_editions.where(use: "insert").to(:page, public_id)
    inserts = inserts.where(target_block: passage) if passage
    Page.read_by(viewer).where(id: inserts.select(:page_id))
  end
end
