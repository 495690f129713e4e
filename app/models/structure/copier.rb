# Copies pages one by one, those above before those below. What a copy is called in links, and what its blocks are, follows
# from a seed, so that a page can link to another's copy before that is made, and work that was left can go on.
class Copier
  # @param page [Page] the topmost
  # @param copies [Hash{Integer=>Page}] that are made already, by the id of what they are copies of
  # @param work [Work, nil] for which they are made; nobody sees them until it is done
  def initialize(page, to:, viewer:, title:, below: true, publish: false, at: Time.current, seed: SecureRandom.hex(8), copies: {}, work: nil)
    @page, @to, @viewer, @title, @below, @publish, @at, @seed, @copies, @work = page, to, viewer, title, below, publish, at, seed, copies, work
  end

  # @return [Page] the copy of the topmost
  # @raise [ActiveRecord::RecordNotFound] if the viewer does not see that by now
  def copy_all
    raise ActiveRecord::RecordNotFound unless pages.include?(@page)

    pages.each { |page| copy(page) }
    copy_signposts
    @copies.fetch(@page.id).reload
  end

  # @return [Array<Page>] what the viewer sees of it, in the order in which it is copied
  def pages
    @pages ||= @page.copied_by(@viewer, below: @below).merge(Page.seen_by(@viewer)).includes(:draft, :edition, :tags).sort_by { |page| [ page.depth, page.position ] }
  end

  # @param page [Page] one of {#pages}, whose page above is copied if it is one of them
  # @return [Page]
  def copy(page)
    above = page.ancestor_ids.reverse.filter_map { |id| @copies[id] }.first || @to
    copy = Page.begin(title: page == @page ? @title : state(page).title, above: above, by: @viewer.person, at: @at, public_id: public_id(page), work: @work)
    raise ActiveRecord::RecordInvalid, copy unless copy.persisted?

    write(page, copy)
    @copies[page.id] = copy
  end

  def copy_signposts
    Signpost.where(parent_id: @copies.keys).in_order.each do |signpost|
      copy = signpost.dup
      copy.assign_attributes(above: @copies.fetch(signpost.parent_id), before: @copies[signpost.before_id])
      copy.save!
    end
  end

  private

  def state(page)
    @viewer.sight_of(page) == :draft ? page.draft : page.edition
  end

  def write(page, copy)
    document = Zuhause::Links.retarget(renewed(page).first) { |target| lead(target) }
    # files become the copy's own as it is saved
    saved = copy.save_draft(State.new(title: copy.title, document: document), base_version: copy.draft.version, by: @viewer.person, at: @at)
    copy.tags = page.tags
    copy.look_like(page, by: @viewer.person)
    copy.publish(version: saved.version, by: @viewer.person, at: @at) if @publish && page.published? && copy.publishable?
  end

  def lead(target)
    page = target.kind == :page && by_public_id[target.value] or return target

    block = target.block && renewed(page).last[target.block]
    Zuhause::Links::Target.new(:page, public_id(page), block)
  end

  def by_public_id
    @by_public_id ||= pages.index_by(&:public_id)
  end

  # @return [Array(Hash, Hash)] the document with ids of its own, and these by the former ones
  def renewed(page)
    (@renewed ||= {})[page.id] ||= Zuhause::Document::Ids.renew(state(page).document, random: Random.new(Digest::SHA256.hexdigest("#{@seed}#{page.public_id}").to_i(16)))
  end

  def public_id(page)
    number = Digest::SHA256.hexdigest("page #{@seed}#{page.public_id}").to_i(16)
    Array.new(Zuhause::Document::Ids::PUBLIC_LENGTH) { number, digit = number.divmod(36); Zuhause::Document::Ids::LETTERS[digit] }.join
  end
end
