module PlanHelper
  # A closed door of the plan, as one viewer has it.
  Door = Struct.new(:id, :archived, :html)

  # @return [Array<Door>] all doors that the viewer sees, in their order
  def plan_doors
    @plan_doors ||= viewer.kept_fetch([ :doors, viewer.person&.id, I18n.locale ], of: %i[people lists rooms pages]) do
      Room.seen_by(viewer).in_order.map { |room| Door.new(room.id, room.archived?, render("shared/door", room: room, open: false)) }
    end
  end
end
