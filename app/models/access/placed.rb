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
      raise NoKeeper if keeps_itself? && !Exposed.kept?(access_list.to_list)
    end
  end

  # Changes whom it is open to and records it, with what that opens and closes.
  #
  # @param act [Symbol] see Zuhause::Happenings::Acts::TABLE
  # @param exposure [Zuhause::Access::Exposure] of the change
  # @param holder [Zuhause::Access::Holder, nil] whom it is about
  # @yield makes the change
  def record_access(act, by:, exposure:, holder: nil, level: nil, ends_on: nil, at: Time.current)
    transaction do
      yield
      Happening.write(act, self, by: by, at: at, exposure: exposure, holder: holder && Holding.key(holder), level: level, ends_on: ends_on&.iso8601)
    end
  end

  # @param holder [Zuhause::Access::Holder]
  # @param level [Symbol] any level; :none takes away what the holder has, or +instead+ alone
  # @param ends_on [Date, nil] the last day on which it counts
  # @param instead [AccessGrant, nil] of the same holder, which it takes the place of
  def grant(holder, level, ends_on: nil, instead: nil)
    change_access do
      keep_grants(grants_after([ holder ], level, ends_on: ends_on, instead: instead))
      AccessRequest.answer(self, holder.id, given: true) if holder.kind == :person && level != :none
    end
  end

  # Brings the rows in line; one that goes on as another of its kind keeps its number.
  def keep_grants(after)
    rows = access_grants.to_a
    fresh = after - rows.map(&:to_grant)
    rows.reject { |row| after.include?(row.to_grant) }.each do |row|
      other = fresh.find { |grant| grant.holder == row.to_grant.holder && grant.ends_on.nil? == row.ends_on.nil? }
      next row.destroy! unless other

      row.update!(told_ahead_at: nil, told_ended_at: nil, **AccessGrant.columns_for(fresh.delete(other)))
    end
    fresh.each { |grant| access_grants.create!(AccessGrant.columns_for(grant)) }
  end
  private :keep_grants

  # @return [Zuhause::Access::Audience] who can get in, of all the people of the house
  def audience
    Zuhause::Access::Audience.new(access_list.to_list, Person.viewers, House.current.switches, lowest: lowest_to_see)
  end
end
