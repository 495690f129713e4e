require "test_helper"

class LiveInsertTest < ActiveSupport::TestCase
  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @room = new_room("On Board", keeper: @ana, open: true)
    @signals = new_page("Signals", above: @room, by: @ana, markdown: "# By lamp\n\nTwo long.\n\n::: passage {name=\"By horn\"}\n\nThree short.\n\n:::\n\nThe rest.")
    @passage = @signals.edition.document["content"].find { |node| node["type"] == "passage" }.dig("attrs", "id")
  end

  test "a page is shown as it is published now, with where it comes from" do
    page = inserting(@signals)
    assert_match(/Two long\./, html(page))
    assert_match(/Shown live from <a href="[^"]*#{@signals.public_id}">Signals/, html(page))
    save_text(@signals.reload, "One long.", by: @ana)
    assert_match(/Two long\./, html(page))
    @signals.publish(version: @signals.reload.draft.version, by: @ana)
    assert_match(/One long\./, html(page))
    assert_no_match(/Edit it there/, html(page, @ben))
    assert_match(/Edit it there/, html(page, @ana))
  end

  test "of a passage nothing else is shown, and a passage that has gone says so" do
    page = inserting(@signals, passage: @passage)
    assert_match(/Three short/, html(page))
    assert_match(/Passage “By horn”, shown live from/, html(page))
    assert_no_match(/Two long|The rest/, html(page))
    save_text(@signals.reload, "No passage.", by: @ana)
    @signals.publish(version: @signals.reload.draft.version, by: @ana)
    assert_match(/What was shown here is gone/, html(page))
  end

  test "what a reader may not read is a neutral line, as is what was never published" do
    hidden = new_page("Wages", above: new_room("Pay", keeper: @ana), by: @ana, markdown: "Secret sum.")
    page = inserting(hidden)
    assert_match(/Secret sum/, html(page, @ana))
    assert_no_match(/Secret sum|Wages/, html(page, @ben))
    assert_match(/not open to you/, html(page, @ben))
    draft = new_page("Draft", above: @room, by: @ana, markdown: "Unfinished.", publish: false)
    assert_match(/has not been published/, html(inserting(draft), @ana))
    assert_no_match(/Unfinished/, html(inserting(draft), @ana))
    assert_match(/not open to you/, html(inserting(draft), @ben))
  end

  test "circles are told and never loop, and showing ends five levels deep" do
    one = new_page("One", above: @room, by: @ana)
    two = inserting(one)
    publish(one, "Again:\n\n#{insert(two)}")
    assert_match(/shown inside itself/, html(one))
    assert_match(/shown inside itself/, html(two))
    last = new_page("Deepest", above: @room, by: @ana, markdown: "The bottom.")
    top = 5.times.reduce(last) { |page, _i| inserting(page) }
    assert_match(/The bottom/, html(top))
    assert_match(/ends\./, html(inserting(top)))
    assert_no_match(/The bottom/, html(inserting(top)))
  end

  test "no id stands twice, however often something is shown" do
    page = new_page("Twice", above: @room, by: @ana, markdown: "#{insert(@signals)}\n\n#{insert(@signals)}\n\n::: contents_list\n:::")
    ids = Nokogiri::HTML5.fragment(html(page)).css("[id]").map { |element| element["id"] }
    assert_equal ids.uniq, ids
  end

  test "headings of an insert join the contents list where that is wished" do
    joined = new_page("Joined", above: @room, by: @ana, markdown: "# Own\n\n#{insert(@signals, headings: true)}\n\n::: contents_list\n:::")
    apart = new_page("Apart", above: @room, by: @ana, markdown: "# Own\n\n#{insert(@signals)}\n\n::: contents_list\n:::")
    assert_equal [ [ "Own", "By lamp" ], [ "Own" ] ], [ joined, apart ].map { |page| links(page).map(&:text) }
    links(joined).each { |link| assert Nokogiri::HTML5.fragment(html(joined)).at_css(link["href"]), link["href"] }
  end

  test "twelve inserts take no more queries than one, at every level" do
    cite = Source.enter({ title: "Salt and steel" }, by: @ana)
    shown = Array.new(12) { |i| new_page("Part #{i}", above: @room, by: @ana, markdown: "[x](mention:#{@ben.public_id}) and [y](cite:#{cite.public_id}), [there](page:#{@signals.public_id})\n\n- [ ] Task #{i}\n\n#{insert(@signals, passage: @passage)}") }
    few, many = [ shown.first(1), shown ].map { |pages| new_page("Around #{pages.size}", above: @room, by: @ana, markdown: pages.map { |page| insert(page) }.join("\n\n")) }
    [ few, many ].each { |page| html(page) }
    assert_equal 12, html(many).scan("Three short").size
    counts = [ few, many ].map { |page| page.reload.then { queries { html(page) } } }
    assert_equal counts.first, counts.last
    counts = [ few, many ].map { |page| Rails.cache.clear && queries { html(page) } }
    assert_equal counts.first, counts.last, "what is not kept yet is read together too"
  end

  test "twelve links take no more queries than one, kept promises among them" do
    pages = Array.new(12) { |i| new_page("Target #{i}", above: @room, by: @ana) }
    few, many = [ pages.first(1), pages ].map { |some| new_page("From #{some.size}", above: @room, by: @ana, markdown: some.flat_map { |page| [ "[x](page:#{page.public_id})", "[y](<promise:#{page.title}>)" ] }.join(" and ")) }
    pages.each { |page| Promise.keep(page) }
    assert_equal [ 2, 24 ], [ few, many ].map { |page| html(page).scan("data-tells").size }
    counts = [ few, many ].map { |page| page.reload.then { queries { html(page) } } }
    assert_equal counts.first, counts.last
  end

  test "showing has an end, told with the way there" do
    wide = @signals
    4.times { |i| wide = new_page("Wide #{i}", above: @room, by: @ana, markdown: Array.new(5) { insert(wide) }.join("\n\n")) }
    shown = html(wide)
    assert_operator shown.scan(%(class="insert")).size, :<=, ShowingLevel::Budget::INSERTS
    assert_match(/More is to be shown here than one page can hold\. It stands in: <a href="[^"]*">/, shown)
    lists = new_page("Lists", above: @room, by: @ana, markdown: "#{Array.new(200) { |i| "# Heading #{i}" }.join("\n\n")}\n\n#{"::: contents_list\n:::\n\n" * 40}")
    assert_equal ShowingLevel::Budget::CONTENTS, html(lists).scan(%(<li class="contents-)).size
    assert_match(/and 200 headings more/, html(lists))
  end

  test "where something is inserted is known of its page" do
    page = inserting(@signals)
    assert_equal [ page ], @signals.shown_on(viewer(@ana)).to_a
    hidden = new_page("Hidden", above: new_room("Pay", keeper: @ana), by: @ana, markdown: insert(@signals, passage: @passage))
    assert_equal [ page ], @signals.shown_on(viewer(@ben)).to_a
    assert_equal [ page, hidden ], @signals.shown_on(viewer(@ana)).order(:id).to_a
    assert_equal [ hidden ], @signals.shown_on(viewer(@ana), passage: @passage).to_a
  end

  test "names, dates and titles are told as they are now, to whom they may be told" do
    page = new_page("Names", above: @room, by: @ana, markdown: "Ask [x](mention:#{@ben.public_id}) by [2026-12-01](date:2026-12-01), see [y](title:#{@signals.public_id}).")
    @signals.rename("Signals at night", by: @ana)
    assert_match(/Ben Holt.*1 Dec.*Signals at night/, html(page))
    @room.grant(holder(:everyone), :none)
    other = new_page("Names", above: new_room("Open", keeper: @ana, open: true), by: @ana, markdown: "See [y](title:#{@signals.public_id}).")
    assert_match(/a page not open to you/, html(other, @ben))
  end

  private

  def insert(page, passage: nil, headings: false)
    "::: live_insert {page=\"#{page.public_id}\"#{" passage=\"#{passage}\"" if passage}#{" headings=\"true\"" if headings}}\n:::"
  end

  def inserting(page, passage: nil)
    new_page("Around #{page.title}", above: @room, by: @ana, markdown: "Before.\n\n#{insert(page, passage: passage)}")
  end

  def publish(page, markdown)
    save_text(page.reload, markdown, by: @ana)
    page.publish(version: page.reload.draft.version, by: @ana)
  end

  def html(page, person = @ben)
    page.reload
    ShownDocument.new(page.edition, page: page, viewer: viewer(person)).to_html
  end

  def links(page)
    Nokogiri::HTML5.fragment(html(page)).css(".contents-list a")
  end
end
