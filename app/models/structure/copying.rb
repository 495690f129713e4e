# Copying many pages, as long work: in portions, each in a short transaction of its own; the copies appear all at once at
# the end.
class Copying
  PORTION = 3 # pages, in some fifty milliseconds

  # @param work [Work]
  def initialize(work)
    @work = work
    @viewer = Viewer.new(work.person)
  end

  # @return [Array<Array<Page>>] what is still to be copied
  def portions
    judge
    made = @work.pages_under_way.pluck(:source_id).to_set
    copier.pages.reject { |page| made.include?(page.id) }.each_slice(PORTION).to_a
  end

  # @param portion [Array<Page>]
  def do(portion)
    Page.transaction do
      judge
      Happening.withheld do
        portion.each { |page| PageUnderWay.create!(page: copier.copy(page), work: @work, source_id: page.id) }
      end
    end
  end

  # All that was copied appears.
  # @return [Page] the copy of the topmost
  def finish
    judge
    copies = copies_by_source
    copier.copy_signposts
    pages = Page.where(id: copies.values.map(&:id))
    pages.update_all(bin_root_id: nil, binned_at: nil, binned_by_id: nil)
    PageUnderWay.where(work: @work).delete_all
    copies.fetch(@work.page_id).reload.tap(&:refresh_access_lists)
  end

  # Tells of it once it can be seen.
  def announce(top)
    top.subtree.includes(:edition).find_each { |page| Page.transaction { tell(page) } }
  end

  # Nothing of it stays.
  def undo
    Page.transaction do
      pages = Page.where(id: @work.pages_under_way.select(:page_id))
      PageFile.where(page: pages).find_each(&:destroy!)
      ids = pages.ids
      Page.where(id: ids).delete_all
    end
  end

  private

  # It is asked again at each portion whether it may be done.
  def judge
    raise Work::Impossible, "gone" unless @work.page && @viewer.sees?(@work.page.reload)
    raise Work::Impossible, "place" unless to && Pundit.policy!(Viewer.new(@work.person.reload), to).add_page?
  end

  def to
    kind, id = @work.details["to"].split(":", 2)
    kind == "room" ? Room.seen_by(@viewer).find_by(public_id: id) : Page.seen_by(@viewer).find_by(public_id: id)
  end

  def copier
    @copier ||= Copier.new(@work.page, to: to, viewer: @viewer, title: @work.details["title"], publish: @work.details["publish"], at: @work.created_at,
                           seed: @work.public_id, copies: copies_by_source, work: @work)
  end

  def copies_by_source
    @work.pages_under_way.reload.includes(:page).to_h { |row| [ row.source_id, row.page ] }
  end

  # What happened is told of when it can be seen.
  def tell(page)
    Happening.write(:begun, page, by: @work.person, at: @work.created_at)
    return unless page.edition

    Happening.write(:published, page, by: @work.person, at: @work.created_at, edition: page.edition.number)
    Naming.follow(page, before: [], by: @work.person, at: @work.created_at)
  end
end
