# The one installation: its name and what it allows as a whole.
class House < ApplicationRecord
  include Pointing

  BIN_DAYS = (1..3650)
  ARRIVAL_MEGABYTES = (10..20_480)
  INVITATION_DAYS = (1..90)

  belongs_to :front_page, class_name: "Page", optional: true
  points_by :front_page_id, uses: %w[front]

  validates :name, presence: true, length: { maximum: 80 }
  normalizes :schemes, with: ->(schemes) { schemes.to_s.downcase.split(/[\s,:\/]+/).uniq.join(" ") }
  validate { errors.add(:schemes, :unknown_scheme, known: Zuhause::Links::Target::PLACES.join(", ")) if (schemes.split - Zuhause::Links::Target::PLACES).any? }
  normalizes :own_hosts, with: ->(hosts) { hosts.to_s.downcase.split(/[\s,]+/).uniq.join(" ") }
  validates :own_hosts, format: { with: /\A([a-z0-9.:-]+( |\z))*\z/ }, length: { maximum: 1000 }
  validates :bin_days, numericality: { only_integer: true, in: BIN_DAYS }
  DOMAIN = /[a-z0-9](?:[a-z0-9-]{0,61}[a-z0-9])?(?:\.[a-z0-9](?:[a-z0-9-]{0,61}[a-z0-9])?)+/
  normalizes :joining_domains, with: ->(domains) { domains.to_s.downcase.split(/[\s,;]+/).map { |domain| domain.delete_prefix("@") }.reject(&:empty?).uniq.join(" ") }
  validates :joining_domains, format: { with: /\A(?:#{DOMAIN}(?: |\z))*\z/ }, length: { maximum: 500 }
  validates :invitation_days, numericality: { only_integer: true, in: INVITATION_DAYS }
  validates :invited_by_keepers, inclusion: { in: Zuhause::Inviting::BY_KEEPERS.map(&:to_s) }
  validates :arrival_megabytes, numericality: { only_integer: true, in: ARRIVAL_MEGABYTES }

  # @return [House, nil] nil until the house has been set up
  def self.current
    first
  end

  # @return [Date] the day in the house, wherever somebody is
  def self.today
    Time.zone_default.today
  end

  # Makes the house and its owner, once.
  # @return [Person] the owner, unsaved and with errors if something is missing
  def self.set_up(name:, owner:)
    house = new(id: 1, name: name)
    owner = Person.new(owner.merge(office: "owner"))
    saved = [ house, owner ].map(&:valid?).all? && transaction { house.save! && owner.save! && Happening.write(:set_up, house, by: owner) && (RoomPattern.any? || RoomPattern.department.save!) }
    [ house, owner, saved ]
  end

  # @param email [String]
  # @return [Boolean] whether whoever has that address becomes a member by themselves
  def joins?(email)
    joining_domains.split.include?(email.to_s.downcase.split("@", 2).last)
  end

  # @return [Boolean] whether there is a practice room in use
  def practice?
    Room.in_use.exists?(practice: true)
  end
  alias practice practice?

  # @param by [Person] who keeps a practice room that is opened
  # @return [Boolean] false, with errors, if something will not do
  def furnish(settings, practice:, by:)
    transaction do
      practice ? Room.open_practice(by: by) : Room.close_practice(by: by) unless practice.nil? || practice == practice?
      update(settings) or raise ActiveRecord::Rollback
      Happening.write(:house_changed, self, by: by, changed: saved_changes.except("updated_at").keys, switches: switches.to_h.except(:day)) if saved_changes.any?
      true
    end || false
  end

  # There is one, and it holds what nothing else does.
  def pointing_as
    { page_id: nil, room_id: nil, signpost_id: nil }
  end

  def points_to
    pointing(:front, :page, front_page&.public_id)
  end

  def switches
    Zuhause::Access::Switches.new(guests: guests?, public_addresses: public_addresses?, day: House.today)
  end
end
