module PlanHelper
  # A closed door of the plan, as one viewer has it.
  Door = Struct.new(:id, :archived, :html)

  # @return [Array<Door>] all doors that the viewer sees, in their order
  def plan_doors
    @plan_doors ||= viewer.kept_fetch([ :doors_with_signs, viewer.person&.id, I18n.locale ], of: %i[people lists rooms pages]) do
      rooms = Room.seen_by(viewer).in_order.to_a
      opens = viewer.active_member? ? Openness.of(rooms, viewer) : {}
      rooms.map { |room| Door.new(room.id, room.archived?, render("shared/door", room: room, open: false, sign: plan_sign(opens[room]))) }
    end
  end

  # Whom a place of the plan is open to, by a sign that says it in words too; members are told.
  #
  # @param open [Array(Symbol|Integer, Integer), nil] see Openness.of
  def plan_sign(open)
    return unless open

    words = audience_words(*open)
    tag.span(icon(audience_icon(open.first), size: 14, label: words), class: "plan-open", title: words)
  end

  # The signs of those in a branch that are open to others than what they stand in.
  #
  # @return [Hash{Page=>ActiveSupport::SafeBuffer}]
  def branch_signs(branch, pages)
    return {} unless viewer.active_member?

    opens = Openness.of([ branch.above, *pages ], viewer)
    pages.reject { |page| opens[page] == opens[branch.above] }.index_with { |page| plan_sign(opens[page]) }
  end
end
