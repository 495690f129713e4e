# What became of it, and how it is taken back.
module Arrival::Made
  # @return [Boolean] whether what was made can still be taken back
  def undoable?
    made_at.present? && undone_at.nil? && made_at > Arrival::UNDONE.ago && pages.exists?
  end

  # What it was made of is needed no more.
  def made(pages)
    update!(made_at: Time.current)
    files.update_all(survey: nil)
    files.where(same: true, left_out: true, clash: nil).find_each { |file| file.update_columns(reading: before.files.find_by!(path: file.path).reading) } if before
    pages
  end

  # @return [ActiveRecord::Relation<Page>] that became of it and are not in the bin
  def pages
    Page.kept.where(id: files.where(known_page_id: nil).select(:page_id))
  end

  # @param viewer [Viewer]
  # @return [ActiveRecord::Relation<Room>] in whose bins pages that became of it are
  def in_bins_of(viewer)
    Room.where(id: Page.in_bin_of(viewer).where(id: files.where(known_page_id: nil).select(:page_id)).select(:room_id)).order(:name, :id)
  end

  # @return [ActiveRecord::Relation<Page>] that were there already and have what came in their drafts
  def renewed
    Page.kept.where(id: files.where(left_out: false).where.not(known_page_id: nil).select(:known_page_id))
  end

  # Of what was made nothing is kept in the end but which file became which page, and what it said: it may come again.
  def slim
    files.where(page_id: nil).destroy_all
    files.with_attached_original.find_each { |file| file.original.purge }
    pictures.each(&:purge)
  end

  # @param viewer [Viewer]
  # @return [ActiveRecord::Relation<Page>] of these, those that somebody has written since
  def changed_since(viewer)
    pages.seen_by(viewer).where(id: Draft.where(created_at: made_at..).select(:page_id)).order(:id)
  end

  # Takes back all that was made, into the bin, as far as whoever does it may still write it.
  #
  # @return [Integer] pages
  def undo(by:)
    viewer = Viewer.new(by)
    transaction do
      there = pages.to_a
      ids = there.map(&:id).to_set
      tops = there.reject { |page| page.ancestor_ids.any? { |id| ids.include?(id) } }.select { |page| Pundit.policy!(viewer, page).bin? }
      tops.each { |page| page.put_in_bin(by: by) }
      update!(undone_at: Time.current) if tops.any?
      there.size - pages.count
    end
  end
end
