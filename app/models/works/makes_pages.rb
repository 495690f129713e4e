# Long work that makes pages in a place that was chosen: nobody sees them before all are there, and nothing stays of what is stopped.
module MakesPages
  # Nobody is told of the whole.
  def conclude(_result); end

  # Nothing of it stays.
  # @return [Array<Integer>] ids that the pages had
  def undo
    pages = Page.where(id: @work.pages_under_way.select(:page_id))
    PageFile.where(page: pages).find_each(&:destroy!)
    pages.ids.tap { |ids| Page.where(id: ids).delete_all }
  end

  private

  # @param pages [ActiveRecord::Relation<Page>]
  # @return [ActiveRecord::Relation<Page>] those whose history does not begin yet
  def untold(pages)
    pages.where("NOT EXISTS (SELECT 1 FROM happenings WHERE happenings.page_id = pages.id AND happenings.act = 'begun')").includes(:edition)
  end

  # It is asked again at each portion whether it may be done.
  # @raise [Work::Impossible]
  def judge_place
    raise Work::Impossible, "place" unless to && Pundit.policy!(Viewer.new(@work.person.reload), to).add_page?
  end

  # @return [Room, Page, nil] the place, as long as the person who chose it sees it
  def to
    kind, id = @work.details["to"].split(":", 2)
    kind == "room" ? Room.seen_by(@viewer).find_by(public_id: id) : Page.seen_by(@viewer).find_by(public_id: id)
  end

  # All that was made appears.
  def show(pages)
    pages.update_all(bin_root_id: nil, binned_at: nil, binned_by_id: nil)
    PageUnderWay.where(work: @work).delete_all
  end
end
