module PlanHelper
  # A closed door of the plan, as one viewer has it.
  Door = Struct.new(:id, :archived, :html)

  # @return [Array<Door>] all doors that the viewer sees, in their order
  def plan_doors
    @plan_doors ||= viewer.kept_fetch([ :doors_with_signs, viewer.person&.id, I18n.locale ], of: %i[people lists rooms pages]) do
      rooms = Room.seen_by(viewer).in_order.to_a
      opens = viewer.active_member? ? Openness.of(rooms, viewer) : {}
      rooms.map { |room| Door.new(room.id, room.archived?, closed_door(room, opens[room])) }
    end
  end

  # It looks the same to all whom the same is told of it.
  def closed_door(room, open)
    viewer.kept_fetch([ :door, room.id, open, I18n.locale ], of: [ :rooms ]) { render("shared/door", room: room, open: false, sign: plan_sign(open)) }
  end

  # Whom a place of the plan is open to, by a sign that says it in words too; members are told.
  #
  # @param open [Array(Symbol|Integer, Integer), nil] see Openness.of
  def plan_sign(open)
    return unless open

    words = audience_words(*open)
    tag.span(icon(audience_icon(open.first), size: 14, label: words), class: "plan-open", title: words)
  end

  # The places in which somebody may put pages, for a list to choose from. Members are told whom a room is open to, and a page that is
  # open to others than its room.
  #
  # @param groups [Array] of Places
  # @param selected [String, nil] a public id
  def place_options(groups, selected = nil)
    places = groups.flat_map { |room, listed| [ room, *listed.map(&:first) ] }.uniq
    opens = viewer.active_member? ? Openness.of(places, viewer) : {}
    grouped_options_for_select(groups.map { |room, listed| [ room.name, listed.map { |place, depth| [ place_label(place, depth, room, opens), place.public_id ] } ] }, selected)
  end

  def place_label(place, depth, room, opens)
    name = "\u2003" * depth + (place.is_a?(Room) ? place.name : place.title)
    return name unless opens[place] && (place == room || opens[place] != opens[room])

    t("pages.place.open_to", name: name, audience: audience_words(*opens[place]))
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
