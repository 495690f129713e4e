# The one installation: its name and what it allows as a whole.
class House < ApplicationRecord
  BIN_DAYS = (1..3650)

  belongs_to :front_page, class_name: "Page", optional: true

  validates :name, presence: true, length: { maximum: 80 }
  validates :bin_days, numericality: { only_integer: true, in: BIN_DAYS }

  # @return [House, nil] nil until the house has been set up
  def self.current
    first
  end

  # Makes the house and its owner, once.
  # @return [Person] the owner, unsaved and with errors if something is missing
  def self.set_up(name:, owner:)
    house = new(id: 1, name: name)
    owner = Person.new(owner.merge(office: "owner"))
    saved = [ house, owner ].map(&:valid?).all? && transaction { house.save! && owner.save! }
    [ house, owner, saved ]
  end

  def switches
    Zuhause::Access::Switches.new(guests: guests?, public_addresses: public_addresses?)
  end
end
