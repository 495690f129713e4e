# The practice room, if the house has one: everybody of the house writes there, it is announced to nobody, and each night
# all that is in it is erased.
module Room::Practised
  extend ActiveSupport::Concern

  included do
    scope :in_earnest, -> { where(practice: false) }
  end

  class_methods do
    def practice_room
      find_by(practice: true)
    end

    # @param by [Person] who keeps it
    def open_practice(by:)
      room = practice_room
      return room.reopen(by: by) if room

      new(name: I18n.t("rooms.practice.name"), description: I18n.t("rooms.practice.description"), colour: "ochre", practice: true).tap do |made|
        made.open_for(by)
        made.grant(Zuhause::Access::Holder.everyone, :write)
      end
    end

    def close_practice(by:, at: Time.current)
      practice_room&.archive(by: by, at: at)
    end
  end

  # Whatever is in it goes, whoever may see it: that is said where one writes.
  #
  # @return [Integer] pages erased
  def empty_out(at: Time.current)
    transaction do
      pages.kept.update_all([ "bin_root_id = id, binned_at = ?", at ])
      signposts.delete_all
      Page.erase_for_good(Page.where(room: self), at: at)
    end
  end
end
