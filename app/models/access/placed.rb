# What rooms and pages have in common: grants of their own, and the list of what they effectively grant.
module Placed
  extend ActiveSupport::Concern
  include Exposed

  # An act that would leave a room, or a page with its own list, without anybody who answers for it.
  class NoKeeper < StandardError; end

  included do
    belongs_to :access_list
    has_many :access_grants, dependent: :delete_all
    has_many :happenings

    scope :giving, ->(viewer, level) { where(viewer.listed(arel_table, level)) }
  end

  # Changes grants and brings the lists of everything below in line, or does neither.
  #
  # @yield does the change
  # @raise [NoKeeper] if nobody who keeps it were left
  def change_access
    transaction do
      reload # what it grants may have changed since it was read
      yield
      access_grants.reset
      refresh_access_lists
      raise NoKeeper if keeps_itself? && audience.keepers.empty?
    end
  end

  # Changes whom it is open to and records it, with what that opens and closes.
  #
  # @param act [Symbol] see Zuhause::Happenings::Acts::TABLE
  # @param exposure [Zuhause::Access::Exposure] of the change
  # @param holder [Zuhause::Access::Holder, nil] whom it is about
  # @yield makes the change
  def record_access(act, by:, exposure:, holder: nil, level: nil, at: Time.current)
    transaction do
      yield
      Happening.write(act, self, by: by, at: at, exposure: exposure, holder: holder && Holding.key(holder), level: level)
    end
  end

  # @param holder [Zuhause::Access::Holder]
  # @param level [Symbol] any level; :none takes the grant away
  def grant(holder, level)
    grant = Zuhause::Access::Grant.new(holder, level)
    change_access do
      columns = AccessGrant.columns_for(grant)
      row = access_grants.find_or_initialize_by(columns.except(:level))
      level == :none ? row.destroy! : row.update!(level: level)
    end
  end

  # @return [Zuhause::Access::Audience] who can get in, of all the people of the house
  def audience
    Zuhause::Access::Audience.new(access_list.to_list, Person.viewers, House.current.switches, lowest: lowest_to_see)
  end
end
