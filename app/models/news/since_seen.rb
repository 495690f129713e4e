# What has been published of a page since somebody last read it: told when they come back, until they have.
class SinceSeen
  MOST = 80 # changes that are marked in a text

  # The edition that was read, when, and the editions since.
  Told = Struct.new(:edition, :read_at, :since, keyword_init: true)

  # @return [Integer] published pages of a room that have changed since somebody read them, small changes apart
  def self.count_in(room, viewer)
    viewer.signed_in? && !viewer.looking? ? PageList.new(viewer, filter: "changed", room: room).pages.count : 0
  end

  # @return [Told, nil] nil where nothing is new to them, or where they were never here
  def self.of(page, viewer, at: Time.current)
    return unless viewer.signed_in? && !viewer.looking? && page.published? && page.edition.number > 1

    read = EditionReading.joins(:edition).where(person: viewer.person, editions: { page_id: page.id }).includes(:edition).order("editions.number DESC").to_a
    return if read.any? { |reading| reading.edition_id == page.edition_id && reading.read_at < at - Reading::AGAIN }

    last = read.find { |reading| reading.edition.number < page.edition.number && !reading.edition.retraction } or return
    since = page.editions.standing.where("editions.number > ?", last.edition.number).includes(:author).order(:number).to_a
    Told.new(edition: last.edition, read_at: last.read_at, since: since) if since.any?
  end
end
