# Makes what leads to one thing lead to another, in all texts that whoever does it may write: as long work, page by page, each
# by itself as it always is: into its draft, and into a small edition where nothing else waits there. It can be undone, as long
# as the states are kept.
class Mending
  # What would be done: pages published at once, pages whose drafts hold other changes or were never published, and pages that
  # lead there and are not one's own to write.
  Outlook = Struct.new(:at_once, :waiting, :closed)

  AT_ONCE = 5 # pages that are done while one waits

  class << self
    # @param from [Zuhause::Links::Target] of a page all that leads to any part of it is meant, unless it names one
    # @param to [Zuhause::Links::Target, nil] nil if what leads there is to be text alone
    # @param blocks [Hash{String=>String}] parts of the one page by those of the other, where both are pages
    # @param only [Array<String>, nil] public ids of pages, if not all are meant
    # @return [Work]
    def start(from:, to:, by:, page: nil, blocks: {}, only: nil)
      start_work(page: page, by: by, pages: only || pages(from, Viewer.new(by)).pluck(:public_id), from: from.to_s, to: to&.to_s, blocks: blocks)
    end

    # @param work [Work] that is done
    # @return [Work] that undoes it
    def undo(work, by:)
      start_work(page: work.page, by: by, pages: work.details["saved"].map(&:first), undoes: work.public_id)
    end

    # @return [ActiveRecord::Relation<Page>] pages whose draft leads there, and which the viewer may write
    def pages(from, viewer)
      Page.writable_by(viewer).where(id: pointing(from).where(stage: "draft").select(:page_id)).order(:id)
    end

    # @param only [Array<String>, nil] public ids of pages, if not all are meant
    # @return [Outlook]
    def outlook(from, viewer, only: nil)
      own = pages(from, viewer).includes(:draft, :edition).then { |all| only ? all.where(public_id: only) : all }.to_a
      return Outlook.new(*own.partition { |page| !page.unpublished_changes? }.map(&:size), 0) if only

      seen = Page.read_by(viewer).where(id: pointing(from).from_editions.select(:page_id)).ids
      waiting = own.select { |page| page.unpublished_changes? }
      Outlook.new(own.size - waiting.size, waiting.size, (seen - own.map(&:id) - Page.writable_by(viewer).where(id: seen).ids).size)
    end

    # @param from [Zuhause::Links::Target]
    # @return [ActiveRecord::Relation<Reference>]
    def pointing(from)
      kind, id, block = from.identity
      id = Zuhause::Links::Promised.keys(from.value).values.uniq if kind == :promise
      block ? Reference.to(kind, id).where(target_block: block) : Reference.to(kind, id)
    end

    private

    def start_work(page:, by:, pages:, **details)
      Work.start(:mending, page: page, by: by, total: pages.size, at_once: pages.size <= AT_ONCE, pages: pages, saved: [], **details)
    end
  end

  # @param work [Work]
  def initialize(work)
    @work = work
    @details = work.details
  end

  # @return [Array<Array<String>>] public ids of pages that are left
  def portions
    done = @details["saved"].map(&:first) + @details.fetch("left", [])
    (@details["pages"] - done).map { |id| [ id ] }
  end

  def do(portion)
    portion.each { |id| Page.transaction { note(id, @details["undoes"] ? put_back(id) : lead(id)) } }
  end

  # What is set apart from any text follows at the end.
  # @return [nil] no page came of it
  def finish
    SetElsewhere.lead(target("from"), target("to"), by: @work.person) unless @details["undoes"]
    nil
  end

  def announce(_result); end

  def conclude(_result); end

  # Whoever stops it wants nothing of it.
  def undo
    saved = @details["saved"]
    saved.each { |id, before, after| Page.transaction { return_to(writable(id), before, after) } }
    @work.update!(details: @details.merge("saved" => []))
  end

  private

  # @param saved [Array, nil] what was saved; nil if nothing could be
  def note(id, saved)
    @details = saved ? @details.merge("saved" => [ *@details["saved"], saved ]) : @details.merge("left" => [ *@details["left"], id ])
    @work.update!(details: @details)
  end

  def target(name)
    Zuhause::Links::Target.parse(@details[name]) if @details[name]
  end

  # @return [Page, nil]
  def writable(id)
    Page.writable_by(Viewer.new(@work.person)).find_by(public_id: id)
  end

  # @return [Array(String, Integer, Integer, Boolean), nil] the page, the versions before and after, whether it is published
  def lead(id)
    page = writable(id) or return
    document = Zuhause::Links.retarget(page.draft.document) { |link| meant?(link, page) ? led(link) : link }
    save(page, page.draft.state.with(document: document), page.draft.version) if document != page.draft.document
  end

  def put_back(id)
    _id, before, after = Work.find_by!(public_id: @details["undoes"], person: @work.person).details["saved"].assoc(id)
    return_to(writable(id), before, after)
  end

  # What was written since stays: the state before is joined with it.
  def return_to(page, before, after)
    states = page ? [ before, after ].map { |version| page.drafts.find_by(version: version) } : []
    save(page, states.first.state, after) if states.any? && states.all?
  end

  def save(page, state, base_version)
    before, clean = page.draft.version, page.published? && !page.unpublished_changes?
    saved = page.save_draft(state, base_version: base_version, by: @work.person)
    return unless saved.persisted?

    publish = clean && page.unsettled.zero? && page.publishable?(small: true)
    page.publish(version: saved.version, by: @work.person, note: I18n.t("editions.mended_note"), small: true) if publish
    [ page.public_id, before, saved.version, publish ]
  end

  def meant?(link, page)
    kind, id, block = target("from").identity(page.language)
    own = link.identity(page.language)
    own.first(2) == [ kind, id ] && (block.nil? || own.last == block)
  end

  def led(link)
    to = target("to")
    return to unless to&.kind == :page && link.block && (block = @details["blocks"][link.block])

    Zuhause::Links::Target.new(:page, to.value, block)
  end
end
