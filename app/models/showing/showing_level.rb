# All documents that are shown equally deep within one page, and what their leaves and links need, looked up together: as many
# queries for twelve live inserts as for one.
class ShowingLevel
  # How much one page shows: what lies beyond is told, with a way there. Five deep and five wide would be thousands of texts.
  class Budget
    INSERTS = 60
    CONTENTS = 3_000 # entries of contents lists

    def initialize
      @inserts, @contents = INSERTS, CONTENTS
    end

    # @return [Boolean] whether one more can be shown
    def insert?
      (@inserts -= 1) >= 0
    end

    # @return [Integer] how many of so many entries can be shown
    def contents(number)
      [ number, @contents ].min.tap { |shown| @contents -= shown }
    end
  end

  # Gathers a document and all that is shown within it.
  def self.gather(root)
    level = new([ root ], root.viewer, Budget.new)
    level = level.below until level.documents.empty?
  end

  attr_reader :documents, :viewer, :budget

  def initialize(documents, viewer, budget)
    @documents = documents
    @viewer = viewer
    @budget = budget
    @kinds = {}
    ShownDocument.find_same(documents)
    documents.each { |document| document.level = self }
  end

  # @return [ShowingLevel] of what is inserted in these
  def below
    inner = documents.flat_map { |document| nodes(document).select { |node| node["type"] == "live_insert" }.filter_map { |node| kind("live_insert").open(node, document) } }
    ShowingLevel.new(inner, viewer, budget)
  end

  # @return [String] HTML
  def leaf(node, document)
    kind(node["type"]).html(node, document)
  end

  # @param label [String] HTML
  # @return [String] HTML
  def link(target, label, document)
    @links ||= ShownLinks.new(self)
    @links.html(target, label, document)
  end

  # @return [Hash{String=>Page}] by public id: those that the viewer sees, of all that is pointed to here
  def pages
    @pages ||= needed(:pages, targets(:page).map(&:value)) do |ids|
      found = Page.seen_by(viewer).where(public_id: ids + ways.values.map(&:first)).eager_load(:edition, :room, :out_of_date_mark).index_by(&:public_id)
      found.merge(ids.filter_map { |id| (to = ways[[ id, nil ]]) && found[to.first] && [ id, found[to.first] ] }.to_h)
    end
  end

  # @param id [String] a page's public id
  # @param block [String, nil]
  # @return [Array(Page, String|nil)] the page that it leads to, if the viewer sees it, and the block there
  def led(id, block)
    to, part = ways[[ id, block ]] || [ id, block ]
    page = pages[to]
    page ? [ page, part ] : [ pages[id], block ]
  end

  # @return [Boolean] whether it has been erased and was open to the viewer
  def gone?(public_id)
    @gone ||= Tombstone.met_by(viewer, @asked_for.fetch(:pages) - pages.keys)
    @gone.include?(public_id)
  end

  # @return [Hash{String=>Person}]
  def people
    @people ||= needed(:people) { |ids| Person.where(public_id: ids).index_by(&:public_id) }
  end

  # @return [PageFile, nil] a file of the document's own page
  def file(public_id, document)
    @files ||= needed(:files) { |ids| PageFile.where(public_id: ids, page: documents.map(&:page).uniq).includes(content_attachment: :blob).index_by { |file| [ file.page_id, file.public_id ] } }
    @files[[ document.page.id, public_id ]]
  end

  # @return [Task, nil] as it stands now, of what is published
  def task(block_id, document)
    return unless document.published_now?

    @tasks ||= Task.where(page: documents.select(&:published_now?).map(&:page).uniq).index_by { |task| [ task.page_id, task.block_id ] }
    @tasks[[ document.page.id, block_id ]]
  end

  # Tells the citations of the page around what is cited here.
  def know_sources
    @sources ||= needed(:sources) { |ids| Source.where(public_id: ids).index_by(&:public_id) }.tap { |found| documents.first.citations.know(found.values) }
  end

  # @param page [Page] in whose text it stands
  # @return [Page, nil] what it leads to, if that has been written
  def promised(target, page)
    promises(page.room)[promised_key(target, page)]
  end

  private

  # Where pages and parts of them lead that were joined to others, or became pages of their own.
  def ways
    @ways ||= begin
      links = targets(:page).map { |target| [ target.value, target.block ] }
      inserts = documents.flat_map { |document| nodes(document) }.filter_map { |node| [ node.dig("attrs", "page"), node.dig("attrs", "passage") ] if node.dig("attrs", "page") }
      left = Forwarding.pages_left(viewer)
      Forwarding.resolve([ *links, *inserts ].select { |id, _block| left.include?(id) }.flat_map { |id, block| [ [ id, block ], [ id, nil ] ] }.uniq)
    end
  end

  # @return [Hash{String=>Page}] by key, for links in one room
  def promises(room)
    @promises ||= Promise.rows(documents.flat_map { |document| targets(:promise, [ document ]).map { |target| promised_key(target, document.page) } }.uniq, viewer: viewer)
    (@promised ||= {})[room.id] ||= Promise.nearest(@promises, room)
  end

  def promised_key(target, page)
    Zuhause::Links::Promised.key(target.value, page.language)
  end

  def kind(type)
    @kinds[type] ||= Leaves.const_get(type.camelize).new(self)
  end

  def nodes(document)
    document.places.grep(ShownPieces::Leaf).map(&:node)
  end

  def targets(kind, documents = self.documents)
    documents.flat_map { |document| document.places.grep(ShownPieces::Link).map(&:target) }.select { |target| target.kind == kind }
  end

  # What all leaves of this level need of one sort, and what is asked for besides.
  def needed(sort, others = [])
    ids = others + documents.flat_map { |document| nodes(document).flat_map { |node| Array(kind(node["type"]).needs(node["attrs"] || {})[sort]) } }
    ids = ids.compact.uniq
    (@asked_for ||= {})[sort] = ids
    ids.any? ? yield(ids) : {}
  end
end
