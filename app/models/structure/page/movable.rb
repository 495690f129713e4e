# Moving a page with all below it, within its room or to another.
module Page::Movable
  # @param to [Room, Page] what it is to stand in
  # @param after [Page, nil, Symbol] the page that it is to stand behind there; nil for the beginning, :last for the end
  # @param behind [Signpost, nil] one before the next page there: it then stands before this page, with those before it
  # @param by [Person, nil]
  # @param exposure [Zuhause::Access::Exposure, nil] what that opens and closes
  # @return [Boolean] false, with an error, for a place that cannot be, or that is in the bin by now as the page may be
  def move(to:, after: :last, behind: nil, by: nil, exposure: nil, at: Time.current)
    transaction do
      reload # others that moved meanwhile may have moved its place along, or below it
      to = to.class.find(to.id)
      problem = problem_of_standing_in(to)
      next errors.add(:base, problem) && false if problem

      from = above
      hang(to: to, after: after, behind: behind)
      Happening.write(:moved, self, by: by, at: at, exposure: exposure, from: from.public_id, to: to.public_id) if from != to
      true
    end
  end

  # @param to [Room, Page]
  # @return [Symbol, nil] why it cannot stand there
  def problem_of_standing_in(to)
    return :under_itself if to.is_a?(Page) && to.path_ids.include?(id)

    :in_bin if binned? || (to.is_a?(Page) && to.binned?)
  end

  # The same without asking whether it can be: of a page that is in the bin too.
  def hang(to:, after: :last, behind: nil)
    transaction do
      reload
      Signpost.let_go(self)
      change_room(to.room) if to.room != room
      update!(parent: (to if to.is_a?(Page)), position: position_after(after))
      gather_signposts(behind)
      refresh_access_lists
      CheckDate.settle(subtree)
    end
    true
  end

  # @return [Page, nil] the page that it stands behind, in the same place
  def page_before
    room.pages.where(ancestry: ancestry, position: ...position).order(:position).last
  end

  private

  def gather_signposts(behind)
    return unless behind && behind.room_id == room_id && behind.parent_id == parent_id

    Signpost.where(room_id: room_id, parent_id: parent_id, before_id: behind.before_id, position: ..behind.position).update_all(before_id: id)
  end

  def position_after(after)
    return after if after == :last

    after ? { after: after } : :first
  end

  # Children keep their order: their places are told apart by their parent, which goes along.
  def change_room(new_room)
    below = descendant_ids
    update!(parent: nil, room: new_room, position: :last)
    Page.where(id: below).update_all(room_id: new_room.id)
    Signpost.where(parent_id: [ id, *below ]).update_all(room_id: new_room.id)
  end
end
