# Copies of a page, or of it and all below it that somebody sees. Links among the copies lead to the copies.
module Page::Copyable
  # @param to [Room, Page] what the copy is to stand in
  # @param viewer [Viewer] who copies: gets what they see, nothing else
  # @param below [Boolean] whether the pages below it are copied along
  # @param publish [Boolean] whether copies of published pages are published at once
  # @return [Page] the copy
  # @raise [ActiveRecord::RecordNotFound] if the viewer does not see it by now
  def copy(to:, viewer:, title: self.title, below: true, publish: false, at: Time.current)
    Copying.new(self, to: to, viewer: viewer, title: title, below: below, publish: publish, at: at).run
  end

  # @return [ActiveRecord::Relation<Page>] what a copy takes along
  def copied_by(viewer, below:)
    below ? subtree.merge(Page.seen_by(viewer)) : Page.where(id: id)
  end

  # One act of copying.
  class Copying
    def initialize(page, to:, viewer:, title:, below:, publish:, at:)
      @page, @to, @viewer, @title, @below, @publish, @at = page, to, viewer, title, below, publish, at
    end

    def run
      Page.transaction do
        @pages = @page.reload.copied_by(@viewer, below: @below).merge(Page.seen_by(@viewer)).includes(:draft, :edition, :tags).sort_by(&:depth)
        raise ActiveRecord::RecordNotFound unless @pages.include?(@page)

        @renewed = @pages.to_h { |page| [ page.public_id, Zuhause::Document::Ids.renew(state(page).document) ] }
        @copies = {}
        in_order.each { |page| @copies[page.id] = begin_copy(page) }
        @by_public_id = @pages.to_h { |page| [ page.public_id, @copies.fetch(page.id) ] }
        @pages.each { |page| write(page) }
        copy_signposts
      end
      @copies.fetch(@page.id).reload
    end

    private

    def in_order
      @pages.sort_by { |page| [ page.depth, page.position ] }
    end

    def state(page)
      @viewer.sight_of(page) == :draft ? page.draft : page.edition
    end

    def begin_copy(page)
      above = page.ancestor_ids.reverse.filter_map { |id| @copies[id] }.first || @to
      copy = Page.begin(title: page == @page ? @title : state(page).title, above: above, by: @viewer.person, at: @at)
      raise ActiveRecord::RecordInvalid, copy unless copy.persisted?

      copy
    end

    def write(page)
      copy = @copies.fetch(page.id)
      document = Zuhause::Links.retarget(@renewed.fetch(page.public_id).first) { |target| lead(target) }
      # files become the copy's own as it is saved
      saved = copy.save_draft(State.new(title: copy.title, document: document), base_version: copy.draft.version, by: @viewer.person, at: @at)
      copy.tags = page.tags
      copy.look_like(page, by: @viewer.person)
      copy.publish(version: saved.version, by: @viewer.person, at: @at) if @publish && page.published?
    end

    def lead(target)
      copy = target.kind == :page && @by_public_id[target.value] or return target

      block = target.block && @renewed.fetch(target.value).last[target.block]
      Zuhause::Links::Target.new(:page, copy.public_id, block)
    end

    def copy_signposts
      Signpost.where(parent_id: @copies.keys).in_order.each do |signpost|
        copy = signpost.dup
        copy.assign_attributes(above: @copies.fetch(signpost.parent_id), before: @copies[signpost.before_id])
        copy.save!
      end
    end
  end
end
