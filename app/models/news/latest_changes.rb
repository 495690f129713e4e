# What has been published lately, of all that a viewer may read now: each page once, with what happened to it last.
class LatestChanges
  LOOKED_AT = 4 # happenings for each one told, since a page can be published several times in a row

  # @param viewer [Viewer]
  # @param most [Integer]
  # @return [Array<Happening>] newest first
  def self.for(viewer, most:)
    happenings = Happening.where(act: %w[published restored], small: false).joins(:page).merge(Page.read_by(viewer).in_earnest)
    happenings = happenings.where.not(id: Happening.joins(page: { editions: :retraction }).where("editions.number = json_extract(happenings.details, '$.edition')").select(:id)) if Retraction.exists?
    happenings.newest_first.includes(:person, page: :room).limit(most * LOOKED_AT).uniq(&:page_id).first(most)
  end
end
