# The pages whose published text points to a page, as far as the viewer may read them.
class LinkedFrom
  Link = Struct.new(:page, :context)

  # @return [Array<Link>] one for each page, in the order of their titles
  def self.of(page, viewer)
    promised = page.promises.pluck(:title)
    references = Reference.from_editions.where(target_page: page.public_id).or(Reference.from_editions.where(promised_title: promised))
    references = references.joins(:page).merge(Page.read_by(viewer)).where.not(page_id: page.id).includes(page: :room).order(:id)
    references.select { |reference| leads_to?(page, reference, viewer) }
              .uniq(&:page_id).map { |reference| Link.new(reference.page, reference.context) }.sort_by { |link| link.page.title.downcase }
  end

  # A promised title may have been kept by several pages; each link leads to one of them.
  def self.leads_to?(page, reference, viewer)
    return true unless reference.promised_title

    Promise.kept([ reference.promised_title ], viewer: viewer, room: reference.page.room).values == [ page ]
  end
  private_class_method :leads_to?
end
