# The pages whose published text points to a page, as far as the viewer may read them.
class LinkedFrom
  Link = Struct.new(:page, :context)

  # A promised title may have been kept by several pages; from each room it leads to one of them.
  #
  # @return [Array<Link>] one for each page, in the order of their titles
  def self.of(page, viewer)
    promised = page.promises.pluck(:title)
    references = Reference.from_editions.where(target_page: page.public_id).or(Reference.from_editions.where(promised_title: promised))
    references = references.joins(:page).merge(Page.read_by(viewer)).where.not(page_id: page.id).includes(page: :room).order(:id)
    kept = Hash.new { |rooms, room| rooms[room] = Promise.kept(promised, viewer: viewer, room: room) }
    references.select { |reference| reference.promised_title.nil? || kept[reference.page.room][reference.promised_title] == page }
              .uniq(&:page_id).map { |reference| Link.new(reference.page, reference.context) }.sort_by { |link| link.page.title.downcase }
  end
end
