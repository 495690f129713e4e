# Letting go of old editions where a page's room does not keep all (Zuhause::Editions::Thinning): never of the one that is read
# now, of one that was approved or taken back, or of one that something said to the page refers to.
module Page::Thinned
  extend ActiveSupport::Concern

  class_methods do
    # Each page by itself, so that nobody waits for long.
    def thin_all_editions(now: Time.current)
      Room.where.not(editions_thinned_after: nil).find_each do |room|
        room.pages.ids.each { |id| transaction { find_by(id: id)&.thin_editions(after: room.editions_thinned_after, now: now) } }
      end
    end
  end

  # @param after [Integer] months
  # @return [Integer] how many went
  def thin_editions(after:, now: Time.current)
    times = editions.pluck(:number, :published_at).to_h
    needed = editions.where(id: edition_id).or(editions.where(reviewed: true)).or(editions.where(id: referred_to)).pluck(:number)
    spare = Zuhause::Editions::Thinning.spare(times, after: after, now: now, needed: needed)
    editions.where(number: spare).delete_all.tap { |gone| Text.prune(self) if gone.positive? }
  end

  private

  def referred_to
    [ Remark, Review ].map { |referring| referring.where(page: self).where.not(edition_id: nil).pluck(:edition_id) }.flatten | Retraction.where(edition: editions).pluck(:edition_id)
  end
end
