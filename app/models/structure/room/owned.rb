# A room of one's own: every member has one from the first sign-in, nobody else gets into it, and nobody is asked who keeps
# it. What is begun without a place begins there, to be moved later.
module Room::Owned
  extend ActiveSupport::Concern

  included do
    belongs_to :owner, class_name: "Person", optional: true

    scope :shared, -> { where(owner_id: nil) }
    # Rooms for everybody first, in their order, then one's own.
    scope :in_order, -> { order(Arel.sql("rooms.owner_id IS NOT NULL"), :position) }
  end

  class_methods do
    # @param person [Person]
    # @return [Room, nil] the person's own; a member who has none gets one
    def own_of(person)
      find_by(owner: person) || (open_own(person) if person.member?)
    end

    # @return [String] what it is called until its owner calls it something else
    def own_name(person, name)
      I18n.with_locale(person.language) { I18n.t("rooms.own.name", name: name.truncate(60, omission: "…")) }
    end

    private

    # Another sign-in at the same moment may have made it.
    def open_own(person)
      new(name: own_name(person, person.name), colour: Room::COLOURS[person.id % Room::COLOURS.size], owner: person).tap { |room| room.open_for(person) }
    rescue ActiveRecord::RecordNotUnique
      find_by!(owner: person)
    end
  end

  def own?
    owner_id.present?
  end

  # Its owner is called something else now.
  def follow_name(former)
    update!(name: Room.own_name(owner, owner.name)) if self[:name] == Room.own_name(owner, former)
  end

  def keeps_itself?
    !own?
  end
end
