# Making pages of what was brought in and looked at, as long work: in portions that nobody sees; all appear at once at the end.
class MovingIn
  include MakesPages

  PORTION = 5 # pages, in some 300 milliseconds
  JUDGED = 20 # pages, whose parts are looked for at once

  # +pages+ are to be made, or else are there and led to.
  Portion = Struct.new(:pages, :made) do
    def size
      made ? 0 : pages.size
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
      [ *fresh, *known ].each_slice(PORTION) { |files| list << Portion.new(files, false) }
      @work.pages_under_way.pluck(:page_id).each_slice(JUDGED) { |ids| list << Portion.new(ids, true) }
    end
  end

  # @param portion [Portion]
  def do(portion)
    return judge_parts(portion.pages) if portion.made

    prepared = portion.pages.map { |file| [ file, prepare(ArrivedFile.find(file.id)) ] }
    judge
    prepared.each do |file, (document, uploads, losses)|
      Page.transaction do
        page = file.known_page_id ? bring_up_to_date(file, document, uploads) : Happening.withheld { PartsLedTo.later { make(file, document, uploads) } }
        keep(file, page, document, losses) if page
      end
    end
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
    untold(made).find_each do |page|
      Page.transaction do
        Happening.write(:published, page, by: @work.person, at: @work.created_at, edition: page.edition.number, small: true) if page.edition
        Happening.write(:begun, page, by: @work.person, at: @work.created_at, small: true)
      end
    end
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

  # Looked at and stored before anything is written to the database.
  # @return [Array(Hash, Array<PageFile>, Array<ArrivedLinks::Loss>)]
  def prepare(file)
    return if file.kind == "folder"

    document, losses, led = links.follow(file)
    files = led.uniq.filter_map { |other| linked(other) }
    document, losses, = links.follow(file) if led.any?(&:problem)
    [ document, pictures(file) + files, losses ]
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

  def make(file, document, uploads)
    page = Page.begin(title: file.title, above: above(file), by: @work.person, at: @work.created_at, public_id: file.key, language: file.language, work: @work)
    raise ActiveRecord::RecordInvalid, page unless page.persisted?

    uploads.to_a.each { |upload| upload.keep_on(page) }
    saved = document.nil? ? page.draft : page.save_draft(State.new(title: page.title, document: document), base_version: page.draft.version, by: @work.person, at: @work.created_at)
    page.publish(version: saved.version, by: @work.person, at: @work.created_at) if @work.details["publish"] && page.publishable?
    PageUnderWay.create!(page: page, work: @work, source_id: file.id)
    page
  end

  # A page that was there before may have gone meanwhile, or be closed to whoever brings this.
  def above(file)
    over = file.above_id && ArrivedFile.light.find(file.above_id) or return to
    page = Page.find(over.page_id)
    over.known_page_id.nil? || (!page.binned? && Pundit.policy!(@viewer, page).add_page?) ? page : to
  end

  # What it says now is joined with what was written there meanwhile, and waits in the draft.
  def bring_up_to_date(file, document, uploads)
    page = Page.kept.find_by(id: file.known_page_id)
    return unless page && Pundit.policy!(Viewer.new(@work.person), page).edit?

    uploads.each { |upload| upload.keep_on(page) }
    page.save_draft(State.new(title: page.draft.title, document: document), base_version: page.draft.version, base: (arrival.again&.base(file) unless file.clash), by: @work.person)
    page
  end

  # What it said, should it come again, and what could not be kept of it.
  def keep(file, page, document, losses)
    whole = ArrivedFile.find(file.id)
    reading = document && ArrivedFile.binary(whole.held.merge("document" => document, "reports" => whole.reports + losses.map(&:to_h)))
    ArrivedFile.where(id: file.id).update_all({ page_id: page.id, same: file.known_page_id.present?, reading: reading }.compact)
  end
end
