# Published pages that nothing leads to, of those that somebody reads: no link, live insert or title in another text, no front page and
# no link in a plan. Standing in the plan leads to none: everything does. And pages that no front page leads to, however far one goes
# by links and down the plan.
class LoosePages
  # +on+: the page on which a link to it can be put at once, if there is one: the page above it, or its room's front page.
  Loose = Struct.new(:page, :on, :named, keyword_init: true)

  USES = %w[link insert title plan front].freeze
  OF = %w[unlinked unreached].freeze

  # @param of [String, nil] of {OF}
  # @param within [ActiveRecord::Relation<Page>, nil] of which pages
  def initialize(viewer, of: nil, within: nil)
    @viewer, @of, @within = viewer, of.presence_in(OF) || OF.first, within
  end

  attr_reader :of

  # @return [Integer]
  def count
    ids.size
  end

  # @return [Array<Loose>] room by room
  def list(limit:, offset: 0)
    some = ids[offset, limit].to_a
    found = Page.where(id: some).includes(:room, :edition).index_by(&:id).values_at(*some).compact
    ons = places_for(found)
    names = UnlinkedNames.new(@viewer).counts_of(found)
    found.map { |page| Loose.new(page: page, on: ons[page], named: names.fetch(page.id, 0)) }
  end

  private

  # Asked for once: to find which they are is what takes time.
  def ids
    @ids ||= pages.pluck(:id)
  end

  def pages
    found = read.where.not(id: PutAside.pages).where.not(id: Template.select(:page_id))
    found = of == "unreached" ? found.where(id: unreached) : found.where.not(led_to.arel.exists).where.not(promised.arel.exists)
    found = found.where(id: @within.select(:id)) if @within
    found.joins(:room).order("rooms.position", "rooms.id", Arel.sql("pages.title COLLATE NOCASE"), :id)
  end

  def read
    Page.read_by(@viewer).in_earnest
  end

  # What is set apart from texts leads there for everybody who reads the page.
  def led_to
    Reference.where(target_kind: "page", use: USES).where('"references".target_id = pages.public_id')
             .where('"references".stage = \'set\' OR ("references".stage = \'edition\' AND "references".page_id <> pages.id AND "references".page_id IN (?))', read.select(:id)).select("1")
  end

  def promised
    Reference.from_editions.where(target_kind: "promise").joins('JOIN promises ON promises.title = "references".target_id')
             .where('promises.page_id = pages.id AND "references".page_id <> pages.id').where(page_id: read.select(:id)).select("1")
  end

  # To find them all links are followed: what was found is kept until something leads elsewhere.
  #
  # @return [Array<Integer>] ids of pages to which no front page leads
  def unreached
    @viewer.kept_fetch([ :unreached, @viewer.person&.id ], of: %i[people lists rooms pages links]) { (read.ids - reached.to_a).freeze }
  end

  # @return [Set<Integer>] ids of pages to which front pages lead
  def reached
    ways = Hash.new { |found, id| found[id] = [] }
    PageLinks.new(@viewer).all.each { |from, to, _use| ways[from] << to }
    read.pluck(:id, :ancestry).each { |id, ancestry| (above = ancestry.split("/").last.to_i).positive? && ways[above] << id }
    walk(starts, ways)
  end

  def walk(from, ways)
    seen = from.to_set
    while (id = from.pop)
      ways.fetch(id, []).each { |other| from << other if seen.add?(other) }
    end
    seen
  end

  # Front pages, what links in the plan lead to, and the plans of rooms that have no front page.
  def starts
    set = Page.where(public_id: Reference.where(stage: "set", use: %w[front plan], target_kind: "page").select(:target_id))
    plain = read.at_top.where(room_id: Room.where(front_page_id: nil).select(:id))
    read.where(id: set.select(:id)).or(read.where(id: plain.select(:id))).ids
  end

  # @return [Hash{Page=>Page}]
  def places_for(pages)
    fronts = Room.where(id: pages.map(&:room_id)).pluck(:id, :front_page_id).to_h
    wanted = pages.to_h { |page| [ page, [ page.parent_id, fronts[page.room_id] ].compact - [ page.id ] ] }
    writable = Page.writable_by(@viewer).where(id: wanted.values.flatten.uniq).index_by(&:id)
    wanted.transform_values { |ids| ids.filter_map { |id| writable[id] }.first }
  end
end
