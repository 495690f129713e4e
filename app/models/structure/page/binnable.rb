# The bin: a page goes there with all below it, and comes back with all that went along.
module Page::Binnable
  extend ActiveSupport::Concern

  # The place it stood in is in the bin itself, and no other was named.
  class NoPlace < StandardError; end

  included do
    belongs_to :binned_by, class_name: "Person", optional: true
    belongs_to :bin_root, class_name: "Page", optional: true

    scope :kept, -> { where(bin_root_id: nil) }
    # What long work is making is kept back in the same way, and is met nowhere.
    scope :binned, -> { where.not(bin_root_id: nil).where.not(id: PageUnderWay.select(:page_id)) }
    # Pages that were put there themselves, not those that only went along.
    scope :bin_roots, -> { where("pages.bin_root_id = pages.id") }
    # What came into another page waits there too; its editions are open to those it was open to.
    scope :joined, -> { binned.where(public_id: Forwarding.of_pages.select(:from_page)).where.not(edition_id: nil) }
    scope :joined_read_by, ->(viewer) { joined.giving(viewer, :read) }
    # Who may write a page sees it in the bin, and nobody else does.
    scope :in_bin_of, ->(viewer) { binned.giving(viewer, :write) }
  end

  class_methods do
    # @param days [Integer] that the house lets things wait
    # @return [ActiveRecord::Relation] what has waited in the bin longer
    def due_for_erasing(days, now: Time.current)
      joined = Forwarding.of_pages.select(:from_page) # their editions stay
      binned.bin_roots.where.not(public_id: joined).where(binned_at: ...(now - days.days))
    end

    # Erases what has waited in the bin as long as the house lets it.
    # @return [Integer] pages erased
    def empty_bins(now: Time.current)
      due_for_erasing(House.current.bin_days, now: now).order(:id).ids.sum { |id| find_by(id: id)&.erase.to_i }
    end
  end

  def binned?
    bin_root_id.present?
  end

  def bin_root?
    bin_root_id == id
  end

  # What is in the bin already stays there as it was put; pages below that whoever does it may not write stay in the house.
  def put_in_bin(by:, at: Time.current)
    transaction do
      reload
      next if binned?

      let_stay(not_for(by, descendants.kept), by: by)
      Review.withdraw_all(reload.subtree.kept, by: by, at: at)
      subtree.kept.update_all(bin_root_id: id, binned_at: at, binned_by_id: by.id)
      Happening.write(:binned, reload, by: by, at: at)
    end
    self
  end

  # @return [Boolean] whether the place where it stood is still there to go back to
  def place_to_return?
    parent.nil? || !parent.binned?
  end

  # @param to [Room, Page, nil] where it is to stand, if not where it stood
  # @param exposure [Zuhause::Access::Exposure, nil] of standing there
  # @raise [NoPlace]
  def put_back_from_bin(to: nil, by: nil, exposure: nil, at: Time.current)
    transaction do
      reload
      to = to.class.find(to.id) if to
      raise NoPlace if to.is_a?(Page) ? to.binned? : to.nil? && !place_to_return?

      hang(to: to) if to && to != above
      Page.where(bin_root_id: id).update_all(bin_root_id: nil, binned_at: nil, binned_by_id: nil)
      reload
      Happening.write(:back, self, by: by, at: at)
      Happening.write(:moved, self, by: by, at: at, exposure: exposure, to: to.public_id) if to && exposure
      self
    end
  end

  # What putting it back somewhere else would open and close.
  # @return [Zuhause::Access::Exposure]
  def exposure_of_putting_back(to)
    exposure_of_moving(to, pages: Page.where(bin_root_id: id))
  end

  # When it is erased by itself, having waited as long as the house lets it.
  # @return [Date]
  def erased_on
    binned_at.to_date + House.current.bin_days
  end
end
