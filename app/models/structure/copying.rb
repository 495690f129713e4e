# Copying many pages, as long work: in portions, each in a short transaction of its own; the copies appear all at once at
# the end.
class Copying
  include MakesPages

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
    show(Page.where(id: copies.values.map(&:id)))
    copies.fetch(@work.page_id).reload.tap(&:refresh_access_lists)
  end

  # Tells of it once it can be seen.
  def announce(top)
    untold(top.subtree).find_each { |page| Page.transaction { tell(page) } }
  end

  private

  def judge
    raise Work::Impossible, "gone" unless @work.page && @viewer.sees?(@work.page.reload)
    judge_place
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
