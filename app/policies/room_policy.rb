class RoomPolicy < ApplicationPolicy
  asks create?: :make_room, comment?: :comment, review_rules?: :review_rules, check_rules?: :check_rules, add_page?: :add_page, edit?: :describe_room, see_bin?: :see_bin

  # A room of one's own is its owner's alone, and stays open to writing.
  def grant?
    !own? && may?(:grant)
  end

  def archive?
    !own? && may?(:archive)
  end

  # Whether its description and keepers may be seen, not only its door.
  def look_around?
    Zuhause::Access::Level.at_least?(level, :read)
  end

  private

  def own?
    record.is_a?(Room) && record.own?
  end

  def level
    @level ||= record.is_a?(Room) ? viewer.level_on(record) : :none
  end

  def sight
    :draft
  end

  def archived?
    record.is_a?(Room) && record.archived?
  end
end
