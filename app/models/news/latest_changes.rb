# What has been published lately, of all that a viewer may read now.
class LatestChanges
  LOOKED_AT = 4 # happenings for each one told, since a page can be published several times in a row
  ACTS = %w[published restored].freeze
  # Of more pages the latest are found by going back in time; of fewer by looking at each.
  FEW = 300

  # @param viewer [Viewer]
  # @param most [Integer]
  # @return [Array<Happening>] newest first, each page once, with what happened to it last
  def self.for(viewer, most:)
    new(viewer).happenings.limit(most * LOOKED_AT).uniq(&:page_id).first(most)
  end

  # @param room [Room, nil]
  # @param person [Person, nil] who published it
  # @param small [Boolean] whether small changes are told too
  def initialize(viewer, room: nil, person: nil, small: false)
    @viewer, @room, @person, @small = viewer, room, person, small
  end

  # @return [ActiveRecord::Relation<Happening>] newest first
  def happenings
    found = Happening.where(act: ACTS).where(page_id: pages.select(:id)).newest_first.includes(:person, page: :room)
    found = found.from("happenings INDEXED BY index_happenings_on_created_at") if pages.limit(FEW + 1).count > FEW
    found = found.where(small: false) unless @small
    found = found.where(id: HappeningActor.where(person: @person).select(:happening_id)) if @person
    Retraction.exists? ? found.where.not(id: taken_back) : found
  end

  private

  def pages
    readable = Page.read_by(@viewer).in_earnest
    @room ? readable.where(room: @room) : readable
  end

  def taken_back
    Happening.joins(page: { editions: :retraction }).where("editions.number = json_extract(happenings.details, '$.edition')").select(:id)
  end
end
