require "test_helper"

# Which pages need care, against a second statement in plain Ruby; and that closed pages change nothing of it.
class CareTest < ActiveSupport::TestCase
  Reasons = Zuhause::Freshness::Reasons

  test "each reason, as what brings it about comes and goes" do
    build
    ice = page("Ice", at: 500)
    grit = page("Grit", at: 490, markdown: "See [it](https://gone.example/a), ![[x]]".sub(", ![[x]]", " and [Ice](page:#{ice.public_id})."))
    assert_equal %i[unread], reasons(ice)
    Reading.record(ice, by: @ben, at: 300.days.ago)
    assert_empty reasons(ice)
    OutOfDateMark.put(ice, by: @ana)
    assert_equal %i[outdated], reasons(ice)
    WebAddress.gather
    WebAddress.update_all(state: "gone")
    assert_equal %i[unread gone], reasons(grit)
    ice.reload.put_in_bin(by: @ana)
    assert_equal %i[unread broken gone], reasons(grit)
    assert_equal %i[unread gone], reasons(grit, viewer(@ben)), "who cannot put it back does not learn that it is in the bin"
  end

  test "questions and readers who were not helped count together, until somebody confirms the page" do
    build
    ice = page("Ice", at: 40)
    2.times { |i| Remark.say(ice, kind: "question", body: "Why #{i}?", by: @ben) }
    assert_empty reasons(ice)
    answer = HelpAnswer.give(ice, by: @ben, helped: false)
    assert_equal %i[asked], reasons(ice)
    answer.see
    assert_empty reasons(ice)
    HelpAnswer.give(ice, by: @ben, helped: false)
    assert_equal %i[asked], reasons(ice)
    Check.say(ice, by: @ana)
    assert_empty reasons(ice)
  end

  test "a page shown live and a source that has changed since" do
    build
    ice = page("Ice", at: 40)
    source = Source.enter({ title: "Grit compared" }, by: @ana).tap { |one| one.update_columns(created_at: 90.days.ago, updated_at: 90.days.ago) }
    shows = page("Shows", at: 30, markdown: "::: live_insert {page=\"#{ice.public_id}\"}\n:::\n\nCited[](cite:#{source.public_id}).")
    assert_empty reasons(shows)
    publish(ice, "New.", at: 20, small: true)
    assert_empty reasons(shows)
    publish(ice, "Newer.", at: 10)
    assert_equal %i[inserts], reasons(shows)
    source.update!(title: "Grit compared again")
    assert_equal %i[sources inserts], reasons(shows)
    ice.reload.make_own_list(by: @ana)
    ice.access_grants.where(holder: "everyone").delete_all
    ice.reload.refresh_access_lists
    assert_equal %i[sources], reasons(shows, viewer(@ben)), "what shows a page that one may not read is not judged by it"
  end

  test "days that lay ahead and have passed, and those of pages that nobody has read yet" do
    build
    ice = page("Ice", at: 40, markdown: "Until #{(Date.current - 3).iso8601}, built on #{(Date.current - 90).iso8601}.")
    assert_equal %i[passed], reasons(ice)
    assert_equal [ 1, Date.current - 3 ], Care.new(viewer(@ben)).health(ice).reasons.first.to_h.values_at(:count, :on)
    Check.say(ice, by: @ana)
    assert_empty reasons(ice)
  end

  test "who keeps a page: a member who is here, by themselves or through a group" do
    build
    ice = page("Ice", at: 3)
    assert_empty reasons(ice, viewer(@ben))
    @ana.update!(suspended_at: Time.current)
    assert_equal %i[unkept], reasons(ice, viewer(@ben))
    deck = group("Deck", person("Cem Berg"))
    @room.grant(holder(deck), :keep)
    assert_empty reasons(Page.find(ice.id), viewer(@ben))
    Person.find_by!(name: "Cem Berg").update!(suspended_at: Time.current)
    assert_equal %i[unkept], reasons(ice, viewer(@ben))
  end

  test "in generated houses the queries find what plain Ruby finds, counts agree with lists, and closed pages change nothing" do
    Integer(ENV.fetch("HOUSES", "3")).times do |i|
      random = Random.new(Integer(ENV.fetch("SEED", "20")) + i)
      ActiveRecord::Base.transaction do
        furnish(random)
        [ @ana, @ben ].each { |who| assert_agreement(viewer(who)) }
        before = told(viewer(@ben))
        close(random)
        assert_equal before, told(viewer(@ben)), "seed #{i}"
        assert_agreement(viewer(@ana))
        raise ActiveRecord::Rollback
      end
    end
  end

  private

  def build
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @room = new_room("On Board", keeper: @ana, open: true)
    @pages = []
  end

  def page(title, at:, markdown: "Text of #{title}.", above: @room)
    new_page(title, above: above, by: @ana, markdown: markdown, at: at.days.ago).tap { |page| @pages << page }
  end

  def publish(page, markdown, at:, small: false)
    save_text(page.reload, markdown, by: @ana, at: at.days.ago)
    page.publish(version: page.draft.version, by: @ana, small: small, at: at.days.ago)
  end

  # By the queries and by its health, which say the same.
  def reasons(page, who = viewer(@ana))
    care = Care.new(who)
    found = Reasons::TABLE.keys.select { |name| care.pages_with(name).exists?(page.id) }
    assert_equal found, care.health(Page.find(page.id)).reasons.map(&:name)
    found
  end

  def furnish(random)
    build
    @sources = Array.new(2) { |i| Source.enter({ title: "Source #{i}" }, by: @ana).tap { |one| one.update_columns(created_at: 900.days.ago, updated_at: random.rand(300).days.ago) } }
    8.times { |i| page("Page #{i}", at: 30 + random.rand(500), markdown: words(random), above: [ @room, *@pages.first(2) ].sample(random: random)) }
    happen(random, @pages)
    CheckRule.of(@room).set(random.rand(1..9), by: @ana)
  end

  # What is closed to Ben: pages that show, lead to and ask about the open ones.
  def close(random)
    @closed = new_room("Closed", keeper: @ana)
    hidden = Array.new(4) { |i| page("Hidden #{i}", at: 30 + random.rand(500), markdown: words(random), above: @closed) }
    happen(random, hidden)
    CheckRule.of(@closed).set(1, by: @ana)
  end

  def words(random)
    others = @pages.sample(2, random: random).map(&:public_id)
    [ "Plain words.", ("Until #{(Date.current - random.rand(-40..300)).iso8601}." if random.rand(2).zero?), ("::: live_insert {page=\"#{others.first}\"}\n:::" if others.any? && random.rand(2).zero?),
      ("Said[](cite:#{@sources.sample(random: random).public_id})." if random.rand(2).zero?), ("See [there](page:#{others.last})." if others.any?), ("[Out](https://out#{random.rand(3)}.example/)" if random.rand(2).zero?) ].compact.join("\n\n")
  end

  def happen(random, pages)
    pages.each do |page|
      publish(page, words(random), at: random.rand(30), small: random.rand(2).zero?) if random.rand(3).zero?
      Reading.record(page, by: @ben, at: random.rand(500).days.ago) if random.rand(2).zero?
      OutOfDateMark.put(page, by: @ana) if random.rand(6).zero?
      random.rand(3).times { |i| Remark.say(page.reload, kind: "question", body: "Why #{i}?", by: @ana) }
      HelpAnswer.give(page, by: @ben, helped: random.rand(3).zero?, at: random.rand(60).days.ago) if random.rand(2).zero?
      Check.say(page.reload, by: @ana, at: random.rand(60).days.ago) if random.rand(5).zero?
    end
    pages.last.reload.put_in_bin(by: @ana) if random.rand(2).zero?
    WebAddress.gather
    WebAddress.where("address LIKE '%out1%'").update_all(state: "gone")
  end

  # Everything that the viewer is told, as far as it is named.
  def told(who)
    desk = Desk.new(DeskScope.new(who, of: "house"))
    [ desk.counts.except(:linking), Care.new(who, pages: Page.where(room: @room)).healths(Care.new(who, pages: Page.where(room: @room)).pages.order(:id).to_a).transform_values { |health| health.reasons.map(&:to_h) } ]
  end

  def assert_agreement(who)
    care = Care.new(who)
    pages = care.pages.order(:id).to_a
    plainly = pages.to_h { |page| [ page.id, plain_reasons(page, who) ] }
    assert_equal plainly, care.healths(pages).transform_values { |health| health.reasons.map(&:name) }
    Reasons::TABLE.each_key { |name| assert_equal plainly.select { |_id, names| names.include?(name) }.keys, care.pages_with(name).order(:id).pluck(:id), name.to_s }
    Desk::LISTS.each { |name| Desk.new(DeskScope.new(who, of: "house")).list(name).then { |list| assert_equal list.count, list.items(limit: 500).size, name.to_s } }
  end

  # The second statement.
  def plain_reasons(page, who)
    today, base = House.today, page.check_date.base_at
    read = Reading.where(page: page).maximum(:read_at)
    year = today << 12
    references = Reference.where(page: page, stage: "edition").to_a
    shown = Page.where(public_id: references.select { |each| each.use == "insert" }.map(&:target_id)).select { |each| each.published? && !each.binned? && who.sees?(each) }
    cited = Source.where(public_id: references.select { |each| each.use == "cite" }.map(&:target_id))
    led = references.select { |each| each.target_kind == "page" }.map(&:target_id)
    { overdue: page.check_date.due_on && page.check_date.due_on < today, outdated: OutOfDateMark.exists?(page: page), unkept: page.audience.keepers.none?,
      unread: [ read, base ].compact.max.to_date <= year,
      sources: cited.any? { |source| source.updated_at > base && source.updated_at != source.created_at },
      inserts: shown.any? { |each| each.editions.any? { |edition| !edition.small? && edition.published_at > base } },
      asked: Remark.where(page: page, kind: "question", standing: "open").count + HelpAnswer.where(page: page, helped: false, seen_at: nil).count { |answer| answer.created_at >= base } >= 3,
      broken: Page.where(public_id: led).any? { |each| each.binned? && who.level_on(each).in?(%i[write keep]) },
      gone: references.any? { |each| each.target_kind == "web" && WebAddress.find_by(address: each.target_id)&.state == "gone" },
      passed: Zuhause::Freshness::TextDates.in(page.edition.document).any? { |found| found.on >= base.to_date && found.on < today }
    }.select { |_name, holds| holds }.keys
  end
end
