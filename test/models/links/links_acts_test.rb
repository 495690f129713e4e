require "test_helper"

# Whatever is written, moved, joined, split, mended, binned and erased: what points where is told as texts say it, every count
# is that of its list, and each page can be shown to each person. ACTS=… does more of it, SEED=… repeats it.
class LinksActsTest < ActiveSupport::TestCase
  ACTS = Integer(ENV.fetch("ACTS", "60"))
  KINDS = %i[write write write publish publish publish rename move bin back erase copy join split mend front post language choose].freeze
  REFUSALS = [ ActiveRecord::RecordNotFound, ActiveRecord::RecordInvalid, Page::Publishing::Stale, Page::Publishing::Unchanged, Page::Publishing::Unsettled, Page::Binnable::NoPlace, PageJoining::Waiting, PageJoining::Circle, Zuhause::Restructuring::Impossible ].freeze
  TITLES = [ "Box list", "box-lists", "Salt", "Salts", "Fahrplan" ].freeze

  2.times do |round|
    test "after acts at random, what points where is as texts say it: round #{round}" do
      @random = Random.new((SEED * 10) + round)
      @people = [ person("Ana Koll"), person("Ben Rasch"), person("Cy Dorn", role: "guest") ]
      @rooms = [ new_room("Deck", keeper: @people[0], open: true), new_room("Crew", keeper: @people[1]) ]
      @rooms[1].grant(holder(@people[0]), :write)
      6.times { |i| new_page("Page #{i}", above: @rooms[i % 2], by: @people[i % 2]) }
      done = Array.new(ACTS) { act }.compact
      assert_operator done.uniq.size, :>, 8, "SEED=#{SEED}"
      assert_empty Reference.astray, "SEED=#{SEED}: #{done.join(" ")}"
      assert_empty ApplicationRecord.connection.select_rows("PRAGMA foreign_key_check")
      [ *@people, nil ].each { |who| judge(Viewer.new(who)) }
    end
  end

  private

  def act
    kind = KINDS.sample(random: @random)
    send(kind) && kind
  rescue *REFUSALS
    nil
  end

  # Every list is as long as its count says, and nothing that is shown leads to what is not.
  def judge(viewer)
    promised, broken = PromisedPages.new(viewer), BrokenLinks.new(viewer)
    assert_equal promised.count, promised.titles(limit: 999).size
    assert_equal broken.count, broken.targets(limit: 999).size
    joined = Forwarding.of_pages.pluck(:from_page)
    assert_empty(broken.targets(limit: 999).reject { |each| each.reason == :part }.map(&:id) & joined)
    Page.seen_by(viewer).includes(:edition, :draft).find_each { |page| shown(page, viewer) }
  end

  def shown(page, viewer)
    from = LinkedFrom.new(page, viewer)
    assert_equal from.count_of_all, from.by_room(limit: 999).size
    html = ShownDocument.new(page.edition || page.draft, page: page, viewer: viewer).to_html
    html.scan(%r{href="/p/(?:[a-z0-9-]*-)?([a-z0-9]{10})}).flatten.uniq.each { |id| assert Page.seen_by(viewer).exists?(public_id: id), "SEED=#{SEED}: #{id}" }
  end

  def any
    pages.sample(random: @random) || raise(ActiveRecord::RecordNotFound)
  end

  def pages
    Page.kept.order(:id).to_a
  end

  def somebody
    @people[0]
  end

  def text
    Array.new(1 + @random.rand(4)) { |i| (@random.rand(3).zero? ? "# Part #{i}\n\n" : "") + "See #{link} and #{link}." }.join("\n\n")
  end

  def link
    to = Page.order(:id).to_a.sample(random: @random)
    part = (to.edition || to.draft).document["content"].sample(random: @random).dig("attrs", "id")
    [ "[a](page:#{to.public_id})", "[b](page:#{to.public_id}##{part})", "[c](<promise:#{TITLES.sample(random: @random)}>)", "[d](https://site#{@random.rand(3)}.example/)" ].sample(random: @random)
  end

  def write
    page = any
    save_text(page, text, by: somebody).persisted?
  end

  def publish
    page = any
    page.publish(version: page.draft.version, by: somebody)
  end

  def rename
    any.rename(TITLES.sample(random: @random), by: somebody)
  end

  def move
    any.move(to: [ *@rooms, any ].sample(random: @random), by: somebody)
  end

  def bin
    any.put_in_bin(by: somebody)
  end

  def back
    (Page.bin_roots.order(:id).to_a.sample(random: @random) || raise(ActiveRecord::RecordNotFound)).put_back_from_bin(by: somebody)
  end

  def erase
    (Page.bin_roots.order(:id).to_a.sample(random: @random) || raise(ActiveRecord::RecordNotFound)).erase(by: somebody).positive?
  end

  def copy
    any.copy(to: @rooms.sample(random: @random), viewer: Viewer.new(somebody), title: TITLES.sample(random: @random), below: false)
  end

  def ready
    pages.select { |page| page.published? && !page.unpublished_changes? }.sample(2, random: @random)
  end

  def join
    from, into = ready
    into && PageJoining.new(from, into, once: @random.rand(2).zero?).join(by: somebody)
  end

  def split
    page, = ready
    heading = page && PageSplitting.headings(page).sample(random: @random)
    heading && PageSplitting.new(page, heading.id, instead: PageSplitting::KINDS.sample(random: @random)).split(by: somebody)
  end

  def mend
    from, to = pages.sample(2, random: @random).map { |page| Zuhause::Links::Target.new(:page, page.public_id) }
    return unless to

    work = Mending.start(from: from, to: [ to, nil, Zuhause::Links::Target.promise("Salt") ].sample(random: @random), by: somebody)
    Mending.undo(work.reload, by: somebody) if @random.rand(3).zero?
    work.reload.state == "done" || raise("#{work.state} #{work.problem}")
  end

  def front
    room = @rooms.sample(random: @random)
    room.reload.update!(front_page: pages.select { |page| page.room_id == room.id }.sample(random: @random))
  end

  def post
    Signpost.new(kind: "link", title: "Way", target: "page:#{any.public_id}").stand(above: [ *@rooms, any ].sample(random: @random), before: nil)
  end

  def language
    any.update!(language: [ "de", nil ].sample(random: @random))
  end

  def choose
    Promise.order(:id).to_a.sample(random: @random)&.choose
  end
end
