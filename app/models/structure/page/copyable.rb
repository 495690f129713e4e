# Copies of a page, or of it and all below it that somebody sees. Links among the copies lead to the copies.
module Page::Copyable
  AT_ONCE = 15 # pages; more are copied by long work

  # @param to [Room, Page] what the copy is to stand in
  # @param viewer [Viewer] who copies: gets what they see, nothing else
  # @param below [Boolean] whether the pages below it are copied along
  # @param publish [Boolean] whether copies of published pages are published at once
  # @return [Page] the copy
  # @raise [ActiveRecord::RecordNotFound] if the viewer does not see it by now
  def copy(to:, viewer:, title: self.title, below: true, publish: false, at: Time.current)
    Page.transaction { Copier.new(reload, to: to, viewer: viewer, title: title, below: below, publish: publish, at: at).copy_all }
  end

  # The same for many pages, by long work.
  #
  # @return [Work, nil] nil, with errors, for a title that will not do
  def copy_by_work(to:, viewer:, title:, publish:)
    return unless title_will_do?(title)

    total = copied_by(viewer, below: true).count
    Work.start(:copying, page: self, by: viewer.person, total: total, to: Happening.subject_of(to), title: title, publish: publish)
  end

  # @return [ActiveRecord::Relation<Page>] what a copy takes along
  def copied_by(viewer, below:)
    below ? subtree.merge(Page.seen_by(viewer)) : Page.where(id: id)
  end

  private

  def title_will_do?(title)
    trial = Page.new(title: Zuhause::Document::Title.clean(title)).tap(&:validate)
    errors.add(:title, trial.errors.details[:title].first[:error], count: Zuhause::Document::Title::LENGTH.end) if trial.errors[:title].any?
    errors.none?
  end
end
