# A row that gives a level to a person, a group, everyone here or anyone.
module Holding
  extend ActiveSupport::Concern

  included do
    belongs_to :person, optional: true
    belongs_to :group, optional: true

    enum :holder, Zuhause::Access::Holder::KINDS.to_h { |kind| [ kind, kind.to_s ] }, prefix: :for, validate: true
    enum :level, Viewer::LEVELS, prefix: :may, validate: true
    validates :person, presence: true, if: :for_person?
    validates :group, presence: true, if: :for_group?
  end

  # @param holder [Zuhause::Access::Holder]
  # @return [String] the same with a public id, as it may be kept and sent
  def self.key(holder)
    case holder.kind
    when :person then "person:#{Person.find(holder.id).public_id}"
    when :group then "group:#{Group.find(holder.id).public_id}"
    else holder.kind.to_s
    end
  end

  class_methods do
    # @param grant [Zuhause::Access::Grant]
    # @return [Hash] the columns that say the same
    def columns_for(grant)
      holder = grant.holder
      { holder: holder.kind, level: grant.level, ends_on: grant.ends_on,
        person_id: (holder.id if holder.kind == :person), group_id: (holder.id if holder.kind == :group) }
    end
  end

  # @return [Zuhause::Access::Grant]
  def to_grant
    Zuhause::Access::Grant.new(Zuhause::Access::Holder.new(holder.to_sym, person_id || group_id), level.to_sym, ends_on)
  end
end
