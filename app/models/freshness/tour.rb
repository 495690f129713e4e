# That somebody goes through the pages of a room, one after another, and says of each what is to become of it: on one day or on many.
class Tour < ApplicationRecord
  belongs_to :room
  belongs_to :person
  belongs_to :page, optional: true # where it stopped
  has_many :stops, class_name: "TourStop", dependent: :delete_all

  scope :going_on, -> { where(ended_at: nil) }

  class << self
    # @return [Tour, nil]
    def of(room, viewer)
      going_on.find_by(room: room, person: viewer.person)
    end

    # @return [Tour] the one that is going on, or a new one
    def begin(room, by:, at: Time.current)
      going_on.find_by(room: room, person: by) || create!(room: room, person: by, begun_at: at)
    rescue ActiveRecord::RecordNotUnique
      retry
    end

    # @return [Boolean] whether there is something to go through
    def any?(room, viewer)
      pages(room, viewer).exists?
    end

    # Pages of a room that somebody keeps, in the order of its plan.
    #
    # @return [Array<Integer>] ids
    def order(room, viewer)
      rows = pages(room, viewer).pluck(:id, :ancestry, :position)
      places = Page.where(room: room).pluck(:id, :position).to_h
      rows.sort_by { |id, ancestry, position| [ *ancestry.split("/").reject(&:empty?).flat_map { |above| [ places.fetch(above.to_i, 0), above.to_i ] }, position, id ] }.map(&:first)
    end

    private

    def pages(room, viewer)
      Page.read_by(viewer).giving(viewer, :keep).where(room: room)
    end
  end

  # @return [Zuhause::Freshness::Round]
  def round(viewer)
    Zuhause::Freshness::Round.new(self.class.order(room, viewer), stops.pluck(:page_id, :said).to_h)
  end

  # @param said [String] of Zuhause::Freshness::Round::SAID
  def say(page, said, at: Time.current)
    transaction do
      stops.find_or_initialize_by(page: page).update!(said: said, said_at: at)
      update!(page: page)
    end
  end

  def stop_at(page)
    update!(page: page)
  end

  def end(at: Time.current)
    update!(ended_at: at)
  end
end
