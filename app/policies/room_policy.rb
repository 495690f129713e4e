class RoomPolicy < ApplicationPolicy
  asks create?: :make_room, add_page?: :add_page, grant?: :grant, edit?: :describe_room, archive?: :archive, see_bin?: :see_bin

  # Whether its description and keepers may be seen, not only its door.
  def look_around?
    Zuhause::Access::Level.at_least?(level, :read)
  end

  private

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
