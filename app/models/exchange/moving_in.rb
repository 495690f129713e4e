# Making pages of what was brought in and looked at, as long work: in portions that nobody sees; all appear at once at the end.
class MovingIn
  include MakesPages

  PORTION = 10 # pages, in some 200 milliseconds
  WORDS = 15_000 # in one portion, unless a page has more
  JUDGED = 20 # pages, whose parts are looked for at once
  TOLD = 100 # pages, whose history begins at once

  # +pages+ are to be made, or else are there and led to.
  Portion = Struct.new(:pages, :made) do
    def size
      made ? 0 : pages.size
    end
  end

  # What becomes of a file, worked out before anything is written to the database. +document+: nil for a folder.
  Prepared = Struct.new(:file, :document, :uploads, :losses) do
    # @return [State, nil] what its page will say; some of it is worked out here, so that nobody waits for that
    def state
      @state ||= document && State.new(title: file.title, document: document).prepare_edition.tap(&:written)
    end

    # @return [String, nil] what it said, should it come again, and what could not be kept of it
    def reading
      @reading ||= document && ArrivedFile.binary(file.held.merge("document" => document, "reports" => file.reports + losses.map(&:to_h)))
    end

    # @return [Boolean] whether it shows nothing but what comes along with it
    def plain?
      document.nil? || Zuhause::Document::Walk.blocks(document).all? { |block| (shown = block.dig("attrs", "file")).nil? || uploads.any? { |upload| upload.public_id == shown } }
    end
  end

  # @param work [Work]
  def initialize(work)
    @work = work
    @viewer = Viewer.new(work.person)
  end

  # @return [Enumerator<Portion>] what is still to be made, what stands above first; then what is to be looked at once all are there
  def portions
    Enumerator.new do |list|
      judge
      made = @work.pages_under_way.pluck(:source_id).to_set
      known, fresh = arrival.in_order.reject { |file| made.include?(file.id) || (file.known_page_id && file.same) }.partition(&:known_page_id)
      by_weight([ *fresh, *known ]).each { |files| list << Portion.new(files, false) }
      @work.pages_under_way.pluck(:page_id).each_slice(JUDGED) { |ids| list << Portion.new(ids, true) }
    end
  end

  # @param portion [Portion]
  def do(portion)
    return judge_parts(portion.pages) if portion.made

    prepared = ArrivedFile.where(id: portion.pages.map(&:id)).index_by(&:id).values_at(*portion.pages.map(&:id)).map { |file| prepare(file) }
    judge
    fresh, known = prepared.partition { |each| each.file.known_page_id.nil? }
    Page.transaction { Happening.withheld { PartsLedTo.later { found(fresh) } } }
    known.each { |each| Page.transaction { bring_up_to_date(each)&.then { |page| keep(each, page) } } }
  end

  # @return [Page] the first of the topmost
  def finish
    judge
    pages = Page.where(id: PageUnderWay.where(work: @work).pluck(:page_id))
    show(pages)
    made = pages.order(:id).to_a
    ids = made.to_set(&:id)
    tops = made.reject { |page| ids.include?(page.parent_id) }
    tops.each { |page| page.reload.refresh_access_lists }
    arrival.made(pages.size)
    tops.first || arrival.in_order.first&.then { |file| Page.find_by(id: ArrivedFile.where(id: file.id).pick(:page_id)) }
  end

  # Tells of each page to its history, once it can be seen.
  def announce(_top)
    untold(made).includes(:room).find_in_batches(batch_size: TOLD) { |pages| Page.transaction { Happening.write_all(pages.flat_map { |page| happened(page) }) } }
  end

  # Tells of the whole.
  def conclude(_top)
    pages = made.count
    Happening.write(:brought_in, to, by: @work.person, pages: pages) if to
    HouseMailer.moved_in(@work.person, arrival, pages: pages).deliver_now if pages > Arrival::AT_ONCE
  end

  # What was brought in stays, to be looked at again.
  def undo
    Page.transaction { ArrivedFile.where(page_id: super).update_all(page_id: nil) }
  end

  private

  # @return [Enumerator<Array<ArrivedFile>>]
  def by_weight(files)
    count = words = 0
    files.slice_before do |file|
      full = count == PORTION || words + file.words > WORDS
      count = words = 0 if full
      count, words = count + 1, words + file.words
      full
    end
  end

  def happened(page)
    how = { by: @work.person, at: @work.created_at, small: true }
    [ *(Happening.of(:published, page, edition: page.edition.number, **how) if page.edition), Happening.of(:begun, page, **how) ]
  end

  def made
    Page.where(id: arrival.files.where(known_page_id: nil).where.not(page_id: nil).select(:page_id))
  end

  def judge
    raise Work::Impossible, "gone" unless arrival
    judge_place
  end

  def arrival
    @arrival ||= Arrival.find_by(work: @work)
  end

  def links
    @links ||= ArrivedLinks.new(arrival, gone: arrival.files.places.pluck(:key).to_set - arrival.in_order.map(&:key))
  end

  # Pages lead to parts of each other, whichever was made first.
  def judge_parts(ids)
    Page.where(id: ids).includes(:edition, :draft).find_each { |page| Page.transaction { PartsLedTo.judge(page) } }
    @work.update!(updated_at: Time.current)
  end

  # Looked at, and its files stored.
  # @param file [ArrivedFile]
  # @return [Prepared]
  def prepare(file)
    return Prepared.new(file, nil, [], []) if file.kind == "folder"

    document, losses, led = links.follow(file)
    files = led.uniq.filter_map { |other| linked(other) }
    document, losses, = links.follow(file) if led.any?(&:problem)
    Prepared.new(file, document, pictures(file) + files, losses).tap { |prepared| [ prepared.state, prepared.reading ] }
  end

  def pictures(file)
    brought = arrival.files.where(path: file.shown.values.compact).with_attached_original.index_by(&:path)
    within = arrival.pictures_within(file.shown.select { |_id, path| path.nil? }.keys)
    there = PageFile.where(public_id: file.shown.keys).pluck(:public_id).to_set # of what has come before
    file.shown.except(*there).filter_map do |id, path|
      upload = path ? brought[path]&.then { |picture| Upload.new(picture.name, path: picture.lying) } : within[id]
      PageFile.prepare(upload, by: @work.person, public_id: id) if upload
    end
  end

  # A file goes with the first page that leads to it.
  def linked(file)
    return if PageFile.exists?(public_id: file.key) || @linked&.include?(file.key)

    (@linked ||= Set.new) << file.key
    PageFile.prepare(Upload.new(file.name, path: ArrivedFile.find(file.id).lying), by: @work.person, public_id: file.key)
  rescue FileFit::Unfit
    file.update!(problem: "unreadable")
    nil
  end

  # Pages that show what others show already get a text in the ordinary way, which asks for that.
  def found(prepared)
    plans = plans(prepared)
    pages = Founding.new(by: @work.person, at: @work.created_at).found(plans.values) do |there|
      PageFile.keep_all(plans.keys.zip(there).flat_map { |each, page| each.uploads.map { |upload| [ upload, page ] } }.to_h.compare_by_identity)
    end
    PageUnderWay.insert_all!(plans.keys.zip(pages).map { |each, page| { page_id: page.id, work_id: @work.id, source_id: each.file.id } }) if pages.any?
    plans.keys.zip(pages) do |each, page|
      write(page, each) unless each.plain?
      keep(each, page)
    end
  end

  # @return [Hash{Prepared=>Founding::Plan}]
  def plans(prepared)
    above = ArrivedFile.light.where(id: prepared.filter_map { |each| each.file.above_id }).includes(:page).index_by(&:id)
    plans = {}.compare_by_identity
    by_file = {}
    prepared.each do |each|
      file = each.file
      plans[each] = by_file[file.id] = Founding::Plan.new(title: file.title, above: by_file[file.above_id] || place(above[file.above_id]), public_id: file.key, language: file.language,
                                                          state: (each.state if each.plain?), published: @work.details["publish"] && each.plain?)
    end
    plans
  end

  # A page that was there before may have gone meanwhile, or be closed to whoever brings this.
  # @param over [ArrivedFile, nil]
  def place(over)
    page = over&.page or return to
    over.known_page_id.nil? || (!page.binned? && Pundit.policy!(@viewer, page).add_page?) ? page : to
  end

  def write(page, prepared)
    saved = page.save_draft(prepared.state, base_version: page.draft.version, by: @work.person, at: @work.created_at)
    page.publish(version: saved.version, by: @work.person, at: @work.created_at) if @work.details["publish"] && page.publishable?
  end

  # What it says now is joined with what was written there meanwhile, and waits in the draft.
  # @return [Page, nil]
  def bring_up_to_date(prepared)
    file, page = prepared.file, Page.kept.find_by(id: prepared.file.known_page_id)
    return unless page && Pundit.policy!(Viewer.new(@work.person), page).edit?

    prepared.uploads.each { |upload| upload.keep_on(page) }
    page.save_draft(State.new(title: page.draft.title, document: prepared.document), base_version: page.draft.version, base: (arrival.again&.base(file) unless file.clash), by: @work.person)
    page
  end

  def keep(prepared, page)
    ArrivedFile.where(id: prepared.file.id).update_all({ page_id: page.id, same: prepared.file.known_page_id.present?, reading: prepared.reading }.compact)
  end
end
