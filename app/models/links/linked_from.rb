# The pages whose published text points to a page, as far as the viewer may read them.
class LinkedFrom
  Link = Struct.new(:page, :context)

  # A promised title may have been kept by several pages; from each room it leads to one of them.
  #
  # @return [Array<Link>] one for each page, in the order of their titles
  def self.of(page, viewer)
    promised = page.promises.pluck(:title)
    references = pointing_to(page, promised)
    readable = Page.read_by(viewer).where(id: references.map(&:page_id)).where.not(id: page.id).includes(:room).index_by(&:id)
    references = references.select { |reference| readable.key?(reference.page_id) }
    kept = Hash.new { |rooms, room| rooms[room] = Promise.kept(promised, viewer: viewer, room: room) }
    references.select { |reference| reference.promised_title.nil? || kept[readable.fetch(reference.page_id).room][reference.promised_title] == page }
              .uniq(&:page_id).map { |reference| Link.new(readable.fetch(reference.page_id), reference.context) }.sort_by { |link| link.page.title.downcase }
  end

  def self.pointing_to(page, promised)
    found = Reference.from_editions.where(use: %w[link title], target_page: page.public_id).order(:id).to_a
    found += Reference.from_editions.where(promised_title: promised).order(:id) if promised.any?
    found
  end
  private_class_method :pointing_to
end
