# Of what the maintenance desk tells: what somebody keeps, a room, or all that one may see.
class DeskScope
  OF = %w[mine room person house].freeze

  attr_reader :viewer, :room, :person

  # @param room [String, nil] a room's public id
  # @param person [String, nil] public id of somebody whose pages are meant
  # @param of [String, nil] "house" for all; "mine" where the viewer keeps anything
  # @raise [ActiveRecord::RecordNotFound] for a room that the viewer does not see, or somebody whom they do not meet
  def initialize(viewer, of: nil, room: nil, person: nil)
    @viewer = viewer
    @room = Room.seen_by(viewer).find_by!(public_id: room) if room.present?
    @person = Person.active.find_by!(public_id: person).tap { |one| raise ActiveRecord::RecordNotFound unless viewer.active_member? && viewer.meets?(one) } if person.present? && @room.nil?
    @of = of.to_s.presence_in(OF)
  end

  # @return [String] of {OF}
  def of
    return "room" if room
    return "person" if person && person != viewer.person

    @of == "house" || (@of.nil? && !keeps_any?) ? "house" : "mine"
  end

  # @return [ActiveRecord::Relation<Page>, nil] nil for all; what of them the viewer sees is judged by whoever asks
  def pages
    case of
    when "room" then Page.where(room: room)
    when "person" then Page.kept.giving(Viewer.new(person), :keep)
    when "mine" then Page.kept.giving(viewer, :keep)
    end
  end

  # @return [Hash{Symbol=>String}] by which it is named in addresses
  def to_params
    case of
    when "room" then { room: room.public_id }
    when "person" then { person: person.public_id }
    else { of: of }
    end
  end

  # @return [Boolean]
  def keeps_any?
    return @keeps_any if defined?(@keeps_any)

    @keeps_any = Page.kept.giving(viewer, :keep).exists?
  end

  # @return [Array<Array(String, String)>] names and public ids of rooms that can be chosen: those with pages that the viewer reads
  def rooms
    viewer.kept_fetch([ :rooms_read, viewer.person&.id, I18n.locale ], of: %i[people lists rooms pages]) do
      Room.in_use.where(id: Page.read_by(viewer).in_earnest.distinct.pluck(:room_id)).in_order.map { |room| [ room.name, room.public_id ].freeze }.freeze
    end
  end

  # @return [Array<Array(String, String)>] names and public ids of those who keep something, as far as the viewer meets them
  def people
    return [] unless viewer.active_member?

    viewer.kept_fetch([ :keepers_met, viewer.person&.id ], of: %i[people lists rooms pages]) do
      keeping = AccessListEntry.where(level: :keep).lasting.where(access_list_id: Page.read_by(viewer).in_earnest.select(:access_list_id))
      ids = (keeping.distinct.pluck(:person_id) | Membership.where(group_id: keeping.select(:group_id)).distinct.pluck(:person_id)).compact
      Person.active.where(role: "member", id: ids).by_name.pluck(:name, :public_id).freeze
    end
  end
end
