# Moving a page with all below it, within its room or to another.
module Page::Movable
  # @param to [Room, Page] what it is to stand in
  # @param after [Page, nil, Symbol] the page that it is to stand behind there; nil for the beginning, :last for the end
  # @return [Boolean] false, with an error, for a place that cannot be
  def move(to:, after: :last)
    if to.is_a?(Page) && (to == self || to.ancestor_ids.include?(id))
      errors.add(:base, :under_itself)
      return false
    end

    transaction do
      change_room(to.room) if to.room != room
      update!(parent: (to if to.is_a?(Page)), position: position_after(after))
      refresh_access_lists
    end
    true
  end

  private

  def position_after(after)
    return after if after == :last

    after ? { after: after } : :first
  end

  # Children keep their order: their places are told apart by their parent, which goes along.
  def change_room(new_room)
    below = descendant_ids
    update!(parent: nil, room: new_room, position: :last)
    Page.where(id: below).update_all(room_id: new_room.id)
  end
end
