# What rooms for teams are made from: what everyone here and the team get, and pages to begin with, see Zuhause::Access::Pattern.
class RoomPattern < ApplicationRecord
  include PubliclyIdentified

  LEVELS_OF_EVERYONE = Zuhause::Access::Pattern::LEVELS_OF_EVERYONE.map(&:to_s).freeze
  LEVELS_OF_TEAM = Zuhause::Access::Pattern::LEVELS_OF_TEAM.map(&:to_s).freeze

  has_many :parts, -> { order(:position) }, class_name: "RoomPatternPart", dependent: :delete_all, inverse_of: :room_pattern, autosave: true

  normalizes :name, :description, with: ->(text) { Zuhause::Document::Title.clean(text) }
  validates :name, presence: true, length: { maximum: 80 }, uniqueness: { case_sensitive: false }
  validates :description, length: { maximum: 300 }
  validates :everyone, inclusion: { in: LEVELS_OF_EVERYONE }
  validates :team, inclusion: { in: LEVELS_OF_TEAM }
  validate { errors.add(:parts, :too_many_parts, count: Zuhause::Access::Pattern::MOST_PARTS) if parts.reject(&:marked_for_destruction?).size > Zuhause::Access::Pattern::MOST_PARTS }

  scope :by_name, -> { order(:name) }

  # The one that a house begins with.
  # @return [RoomPattern] not saved
  def self.department
    words = I18n.t("room_patterns.department")
    new(name: words[:name], description: words[:description], everyone: "read", team: "write").tap do |pattern|
      words[:parts].each_with_index { |part, position| pattern.parts.build(position: position, **part) }
    end
  end

  # Changes it as a whole.
  #
  # @param parts [Array<Hash>] +:title+, +:shut+, +:template_key+, in their order; those without a title are left out
  # @return [Boolean] false, with errors and nothing changed, if something will not do
  def keep(attributes, parts:, by:)
    act = new_record? ? :pattern_made : :pattern_changed
    transaction do
      assign_attributes(attributes)
      replace(parts)
      save or raise ActiveRecord::Rollback
      Happening.write(act, House.current, by: by)
      true
    end || false
  end

  def remove(by:)
    transaction { destroy! && Happening.write(:pattern_removed, House.current, by: by) }
  end

  # Opens a room as this pattern has it.
  #
  # @param room [Room] not saved, with its name and colour
  # @param team [Group]
  # @param keeper [Person] who keeps it from then on
  # @param viewer [Viewer] who makes it: what they may not read is no template
  # @return [Boolean] false, with errors on the room, if something will not do
  def open(room, team:, keeper:, viewer:)
    holders = { team: Zuhause::Access::Holder.new(:group, team.id), keeper: Zuhause::Access::Holder.new(:person, keeper.id) }
    room.transaction do
      room.open_with(to_core.of_room(**holders), by: viewer.person, pattern: name) or raise ActiveRecord::Rollback
      parts.each { |part| part.begin(room, team: team, shut_by: to_core.of_shut(**holders), viewer: viewer) }
      true
    end || false
  end

  # @return [Zuhause::Access::Pattern]
  def to_core
    Zuhause::Access::Pattern.new(everyone: everyone.to_sym, team: team.to_sym)
  end

  private

  def replace(given)
    parts.each(&:mark_for_destruction)
    given.reject { |part| part[:title].blank? }.each_with_index { |part, position| parts.build(position: position, **part) }
  end
end
