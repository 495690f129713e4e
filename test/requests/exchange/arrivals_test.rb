require "test_helper"
require "minitest/mock"

# Bringing in files: looked at first, then made pages or put into a draft.
class ArrivalsTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers, Arriving

  PIXEL = Base64.strict_encode64(Rails.root.join("test/files/dot.png").binread)

  setup do
    @ida = person("Ida Karlow")
    @room = new_room("On Board", keeper: @ida)
    sign_in @ida
    get "/" # what is sent by whoever is not signed in yet may be far smaller
  end

  test "a title that many say they have tells of none of them" do
    page = ->(*headings) { "<title>Ternholm Ferries</title>#{headings.map { |heading| "<h1>#{heading}</h1><p>#{heading} and more.</p>" }.join}" }
    arrival = bring({ "a.html" => page.("Printers", "Paper"), "b.html" => page.("Keys", "Locks"), "c.html" => page.("Boats", "Oars"), "d.html" => page.("Ropes", "Knots").sub("Ternholm Ferries", "Lines on board") })
    assert_equal [ "Boats", "Keys", "Lines on board", "Printers" ], arrival.reload.in_order.map(&:title).sort
  end

  test "several files become pages that link to each other and show their pictures" do
    arrival = bring({ "gangway.md" => "---\ntitle: \"Gangway in ice\"\nlang: de\ntags: [deck]\n---\n!!! tip\n    Mind it.\n\nSee [salt](./the%20salt.html#x).\n\n![The dot](pictures/dot.png)\n\n<b>Ask</b> the <mate>.", "the salt.html" => "<h1>Salt &amp; grit</h1><h2>Where</h2><p>Back to <a href='gangway.md'>it</a>.</p><script>alert(1)</script>",
                    "notes.txt" => "One\nline # not a heading\n\n\nTwo", "dot.png" => Rails.root.join("test/files/dot.png").binread, "what.exe" => "MZ" })
    assert_no_difference("Page.count") { get "/arrivals/#{arrival.public_id}" }
    assert_select "input[name=title]", count: 3
    assert_select ".arrived-losses", text: /HTML that is kept as code/
    assert_select ".arrived-losses", text: /What files say of themselves before their text/
    look(arrival, "gangway.md")
    assert_select ".arrived-reports", text: /HTML/
    assert_not_includes look(arrival, "the salt.html").to_s, "alert(1)"

    make arrival
    assert_redirected_to "/arrivals/#{arrival.public_id}"
    gangway, salt, notes = Page.all.index_by(&:title).values_at("Gangway in ice", "Salt & grit", "notes")
    assert_equal 3, Page.count
    assert_equal [ [ "page", salt.public_id ] ], gangway.links.where(use: "link").pluck(:target_kind, :target_id)
    assert_equal [ gangway.public_id ], salt.links.pluck(:target_id)
    assert_equal [ "de", "notice" ], [ gangway.language, gangway.draft.document["content"].first["type"] ]
    assert_equal "Ask the <mate>.", Zuhause::Document::Text.of(gangway.draft.document["content"].last)
    assert_equal "One\nline # not a heading\nTwo", Zuhause::Document::Text.of(notes.draft.document)
    get "/p/#{gangway.to_param}"
    follow_redirect! if response.redirect?
    assert_select "figure img[alt='The dot']"
    get css_select("figure img").first["src"]
    assert_response :success
    assert_equal "image/png", response.media_type
  end

  test "a folder comes in as it is nested, with its links, pictures and titles" do
    files = { "manual/index.html" => "<title>The manual</title><p>See <a href='deck/gangway.html#ice'>the gangway</a> and <a href='engine/cold.md'>cold</a>.</p>",
              "manual/deck/gangway.html" => "<h1>Gangway</h1><p>Back to <a href=\"../index.html\">all</a>, on to <a href=\"../engine/cold.md\">cold</a>.</p><img src='../pictures/dot.png' alt='The dot'>",
              "manual/engine/cold.md" => "# Cold start\n\nFrom [here](../deck/gangway.html).", "manual/pictures/dot.png" => Rails.root.join("test/files/dot.png").binread, "manual/.hidden" => "x" }
    arrival = bring({ "manual.zip" => Zip::OutputStream.write_buffer { |out| files.each { |name, text| out.put_next_entry(name); out.write(text) } }.string })
    assert arrival, Work.last.attributes.inspect
    assert_no_difference("Page.count") { get "/arrivals/#{arrival.public_id}" }
    assert_select ".arrived-row .row-facts", text: "an empty page for what stands below", count: 2
    assert_select ".arrived .arrived .arrived input[name=title]", 2
    make arrival, publish: "1"
    manual = Page.find_by!(title: "The manual")
    assert_equal [ %w[deck engine], [ "Gangway" ], [ "Cold start" ] ], [ manual.children.order(:position).map(&:title), *manual.children.order(:position).map { |page| page.children.map(&:title) } ]
    gangway, cold = Page.find_by!(title: "Gangway"), Page.find_by!(title: "Cold start")
    assert_equal [ true ] * 5, Page.all.map(&:published?)
    assert_equal [ [ cold, gangway ], [ cold, manual ], [ gangway ] ].map { |pages| pages.map(&:public_id).sort }, [ manual, gangway, cold ].map { |page| page.links.where(use: "link").pluck(:target_id).uniq.sort }
    assert_equal [ "dot.png" ], PageFile.where(page: gangway).map(&:name)
  end

  test "a ZIP file that will not do is told of, and nothing is left of it" do
    arrival = bring({ "manual.zip" => "no zip at all" })
    work = Work.order(:id).last
    assert_equal %w[failed unpacked_broken], [ work.state, work.problem ]
    assert_not Arrival.exists?(arrival.id) if arrival
    get "/work"
    assert_select "body", /the ZIP file is broken/
  end

  test "office texts come in with their headings, lists, tables and pictures" do
    %w[docx odt].each do |form|
      arrival = bring({ "Checklist.#{form}" => office(form) })
      text = arrival.files.texts.first
      assert_nil text.problem
      assert_equal "Winter checklist", text.title
      assert_equal %w[heading paragraph bullet_list table figure], text.document["content"].map { |node| node["type"] } & %w[heading paragraph bullet_list table figure]
      assert_equal 1, text.pictures
    end
  end

  test "one file is put into a draft, behind what stands there or in its place" do
    page = new_page("Gangway", above: @room, by: @ida, markdown: "Grit.")
    [ [ "append", "Grit.\nSalt." ], [ "replace", "Salt." ] ].each do |how, text|
      arrival = bring({ "a.md" => "Salt." }, page: page.public_id)
      patch "/arrivals/#{arrival.public_id}", params: { page: page.public_id, how: how }
      assert_redirected_to "/p/#{page.to_param}/draft/edit"
      assert_equal text, Zuhause::Document::Text.of(page.reload.draft.document)
    end
  end

  test "a text put into a draft keeps its heading" do
    page = new_page("Gangway", above: @room, by: @ida, markdown: "Grit.")
    arrival = bring({ "a.md" => "# Salt\n\nMuch." }, page: page.public_id)
    patch "/arrivals/#{arrival.public_id}", params: { page: page.public_id, how: "append" }
    assert_equal "Grit.\nSalt\nMuch.", Zuhause::Document::Text.of(page.reload.draft.document)
  end

  test "a file dropped into a draft is answered as text, with its pictures on the page and what was lost, and the draft stays" do
    page = new_page("Gangway", above: @room, by: @ida, markdown: "Grit.")
    assert_no_changes(-> { page.reload.draft.document }) do
      drop page, "a.html", "<h1>Salt</h1><p><img src='data:image/png;base64,#{PIXEL}' alt='Dot'></p><h6>Deep</h6><script>alert(1)</script>"
    end
    assert_response :created
    content, files, lost = response.parsed_body.values_at("content", "files", "lost")
    assert_equal "Salt", Zuhause::Document::Text.of(content.first)
    assert_equal [ page ], PageFile.where(public_id: files.keys).map(&:page)
    assert_match(/Headings go down to level 4/, lost.join)
    drop page, "b.md", "---\ntitle: From the front\n---\nText"
    assert_equal [ "From the front", "Text" ], response.parsed_body["content"].map { |node| Zuhause::Document::Text.of(node) }
    { "x.exe" => "MZ", "x.docx" => "PK no" }.each do |name, bytes|
      drop page, name, bytes
      assert_response :unprocessable_entity
      assert_match name, response.parsed_body["error"]
    end
    post "/p/#{page.to_param}/texts", params: { file: "no file" }, headers: { "Accept" => "application/json" }
    assert_response :unprocessable_entity
  end

  test "what cannot be read is told, and nothing hangs or breaks" do
    bomb = Zip::OutputStream.write_buffer { |zip| zip.put_next_entry("word/document.xml") && zip.write("\0" * 210.megabytes) }.string
    arrival = bring({ "broken.docx" => "PK\x03\x04nothing", "bomb.docx" => bomb, "empty.odt" => "" })
    assert_equal %w[unreadable] * 3, arrival.files.pluck(:problem)
    post "/arrivals"
    assert_response :unprocessable_entity
    assert_select ".wrong", text: /at least one file/
  end

  test "hostile files leave no live code and no stuck process" do
    ends do
      arrival = bring({ "lists.html" => "<ul><li>" * 120_000, "quotes.md" => "> " * 100_000 + "x", "live.html" => "<p onclick=a()>x<svg onload=b()></svg><iframe srcdoc='<script>c()</script>'></iframe><a href='javascript:d()'>y</a><img src=x onerror=e()></p>",
                        "live.md" => "<script>f()</script> [z](data:text/html,g)", "large.txt" => "word " * 500_000 })
      texts = arrival.files.texts.where(problem: nil).map { |text| look(arrival, text.path).to_s }
      assert_equal 4, texts.size
      assert_no_match(/<script|<iframe|<svg|onclick|onload|onerror|href="(javascript|data)/, texts.join)
      assert_equal({ "large.txt" => "too_much" }, arrival.files.where.not(problem: nil).pluck(:path, :problem).to_h)
      get "/arrivals/#{arrival.public_id}"
      assert_select "main", text: /large\.txt holds more than one page can hold/
      make arrival
      assert_equal 4, Page.count
    end
  end

  test "the tree is changed beforehand: titles, what is left out, and where each stands" do
    arrival = bring({ "a.md" => "# Salt\n\n[to b](b.md) [to c](c.md)", "b.md" => "# Grit", "c.md" => "# Ice", "d.md" => "# Oil" })
    a, b, c, d = %w[a b c d].map { |name| key(arrival, "#{name}.md") }
    change arrival, a, title: "  Salt and  more "
    change arrival, b, left_out: "true"
    change arrival, d, above: a, before: ""
    change arrival, c, above: "", before: a
    get "/arrivals/#{arrival.public_id}/texts"
    assert_equal [ "Ice", "Salt and more", "Oil", "Grit" ], css_select("input[name=title]").map { |field| field["value"] }
    assert_select ".arrived .arrived input[name=title][value=Oil]"
    look(arrival, "a.md")
    assert_select ".arrived-reports", text: /a page that is left out.*b\.md/
    make arrival
    assert_equal [ "Ice", "Salt and more" ], @room.pages.where(ancestry: "/").order(:position).map(&:title)
    salt = Page.find_by!(title: "Salt and more")
    assert_equal [ [ "Oil" ], [ Page.find_by!(title: "Ice").public_id ] ], [ salt.children.map(&:title), salt.links.pluck(:target_id) ]
    assert_not Page.exists?(title: "Grit")
  end

  test "what is left out takes along what stands below, and what will not do is told" do
    arrival = bring({ "deck/index.md" => "# Deck", "deck/a.md" => "# Salt", "b.md" => "# Grit" }.to_h { |name, text| [ name, text ] }, folder: true)
    deck, salt = key(arrival, "deck/index.md"), key(arrival, "deck/a.md")
    [ { title: " " }, { title: "x" * 201 }, { above: salt, before: "" }, { above: "none" }, {} ].each do |wrong|
      change arrival, deck, **wrong
      assert_response :unprocessable_entity, wrong.inspect
      assert_predicate response.parsed_body["error"], :present?
    end
    change arrival, deck, left_out: "true"
    make arrival
    assert_equal [ "Grit" ], Page.pluck(:title)
  end

  test "all of it is taken back as one, with what was written in it since, which is told first" do
    arrival = bring({ "a.md" => "# Salt", "b.md" => "# Grit" })
    make arrival, publish: "1"
    page = Page.find_by!(title: "Salt")
    travel(1.hour) { save_text(page, "More.", by: @ida) }
    get "/arrivals/#{arrival.public_id}"
    assert_select ".said-alert", text: /1 page has been changed since: Salt/
    travel(31.days) { post("/arrivals/#{arrival.public_id}/undoing") && assert_response(:not_found) }
    post "/arrivals/#{arrival.public_id}/undoing"
    assert_redirected_to "/arrivals/#{arrival.public_id}"
    assert_equal [ 0, 2 ], [ Page.kept.count, Page.count ]
    get "/arrivals/#{arrival.public_id}"
    assert_select "a[href='/rooms/#{@room.public_id}/bin']", text: "The bin of #{@room.name}"
    post "/arrivals/#{arrival.public_id}/undoing"
    assert_response :not_found
    patch "/arrivals/#{arrival.public_id}", params: { above: @room.public_id }
    assert_equal 2, Page.count
  end

  test "what stands on nearly every page is left out, seen, and brought along after all" do
    pages = Array.new(6) { |i| [ "manual/#{i}.html", "<title>Part #{i} - The manual</title><div class=bar><a href=0.html>Home</a></div><p>#{"words of #{i} " * 20}</p>" ] }.to_h
    on = Array.new(12) { |i| [ "manual/on#{i}.html", "<meta http-equiv=refresh content='0; url=#{i % 6}.html'><p>On</p>" ] }.to_h
    arrival = bring(pages.merge(on), folder: true)
    assert_equal [ "Part 0", 60 ], arrival.files.texts.order(:path).pick(:title, :words)
    get "/arrivals/#{arrival.public_id}"
    assert_select ".arrived-repeated", text: /Home.*on 6 pages/m
    back = css_select(".arrived-repeated input[type=checkbox]").map { |box| box["value"] }
    post "/arrivals/#{arrival.public_id}/reading", params: { back: back }
    assert_redirected_to "/arrivals/#{arrival.public_id}"
    assert_equal 61, arrival.files.texts.order(:path).pick(:words)
    get "/arrivals/#{arrival.public_id}"
    assert_select ".arrived-repeated", false
  end

  test "a heading that several pages begin with is the title of none" do
    arrival = bring({ "a.html" => "<title>Objects - The manual</title><h1>Interface</h1><p>x</p>", "b.html" => "<title>Constants - The manual</title><h1>Interface</h1><p>y</p>", "c.html" => "<title>C - The manual</title><h1>Apart</h1>", "d.html" => "<title>E</title><h1>Twice</h1>", "e.html" => "<title>E</title><h1>Twice</h1>" }, folder: true)
    assert_equal %w[Apart Constants Objects Twice Twice], arrival.files.texts.pluck(:title).sort
    said = arrival.files.texts.to_h { |file| [ file.title, Zuhause::Document::Walk.blocks(file.document).map { |block| Zuhause::Document::Text.of(block) } ] }
    assert_equal [ %w[Interface x], %w[Interface y], [ "" ] ], said.values_at("Objects", "Constants", "Apart"), "what is no title stays in the text"
  end

  test "what stands in text boxes comes along, and what no page has is told" do
    body = ->(inside) { %(<w:p xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"><w:r><w:t>Dear all</w:t>#{inside}</w:r></w:p>) }
    word = ->(name, inside) { %(<w:#{name} xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main">#{inside}</w:#{name}>) }
    box = "<w:pict><w:txbxContent><w:p><w:r><w:t>Ring twice.</w:t></w:r></w:p></w:txbxContent></w:pict>"
    types = %(<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/vnd.openxmlformats-officedocument.wordprocessingml.document.main+xml"/></Types>)
    leads = %(<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="r1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/officeDocument" Target="word/document.xml"/></Relationships>)
    letter = Zip::OutputStream.write_buffer do |zip|
      { "[Content_Types].xml" => types, "_rels/.rels" => leads, "word/document.xml" => word.("document", "<w:body>#{body.(box)}</w:body>"), "word/comments.xml" => word.("comments", "<w:comment w:id=\"0\">#{body.("")}</w:comment>") }.each { |name, text| zip.put_next_entry(name) && zip.write(text) }
    end.string
    arrival = bring({ "letter.docx" => letter, "notes.md" => "# Notes" }, folder: true)
    assert_equal({ "comment" => 1 }, arrival.losses.counts)
    assert_equal [ "Dear all", "Ring twice." ], Zuhause::Document::Walk.blocks(arrival.files.find_by!(path: "letter.docx").document).map { |block| Zuhause::Document::Text.of(block) }
    get "/arrivals/#{arrival.public_id}/losses?code=comment"
    assert_select "td", text: "Dear all"
  end

  test "links lead to the very heading or block, in other files and in their own" do
    arrival = bring({ "m/a.html" => "<h1>Salt</h1><p><a href='#much'>much</a> <a href='b.md#the-gangway'>gangway</a> <a href='c.html#grit'>grit</a> <a href='b.md#none'>none</a> <a href='gone.html'>gone</a> <a href='d.pdf'>file</a></p><h2 id=much>How much</h2>",
                      "m/b.md" => "# B\n\n## The gangway\n\n[back](a.html#much)", "m/c.html" => "<h1>C</h1><dl><dt id=grit>Grit<dd>rough</dl>", "m/d.pdf" => Rails.root.join("demo/rooms/3-ashore/files/winter-timetable.pdf").binread }, folder: true)
    assert_equal %w[link_missing link_place], arrival.losses.counts.keys.sort
    get "/arrivals/#{arrival.public_id}/losses?code=link_missing"
    assert_select "td", text: "gone.html"
    get "/arrivals/#{arrival.public_id}/losses?code=picture"
    assert_response :not_found
    make arrival
    a, b, c = %w[Salt B C].map { |title| Page.find_by!(title: title) }
    blocks = ->(page, text) { Zuhause::Document::Walk.blocks(page.draft.document).find { |block| Zuhause::Document::Text.of(block) == text }.dig("attrs", "id") }
    led = a.links.where(use: "link").order(:id).pluck(:target_kind, :target_id, :target_block)
    assert_equal [ [ "page", a.public_id, blocks.(a, "How much") ], [ "page", b.public_id, blocks.(b, "The gangway") ], [ "page", c.public_id, blocks.(c, "Grit") ], [ "page", b.public_id, nil ] ], led.first(4)
    assert_equal [ "file", [ "d.pdf" ] ], [ led.last.first, PageFile.where(page: a).map(&:name) ]
    assert_equal [ [ a.public_id, blocks.(a, "How much") ] ], b.links.pluck(:target_id, :target_block)
    assert_not Reference.where(part_gone: true).exists?
    get "/arrivals/#{arrival.public_id}"
    assert_select ".arrived-losses a", text: "Links to what did not come"
    assert_equal %w[link_missing link_place], arrival.reload.losses.counts.keys.sort
  end

  test "a folder is sent in parts, and what was cut off goes on with what has not come" do
    post "/arrivals", params: { parts: "1" }
    assert_response :created
    sendings, reading, page = response.parsed_body.values_at("sendings", "reading", "arrival")
    send_part sendings, "manual/index.md" => "# The manual", "manual/a.md" => "# Salt"
    get sendings
    assert_equal %w[manual/a.md manual/index.md], response.parsed_body["paths"].sort
    send_part sendings, "manual/a.md" => "# Salt", "manual/b.md" => "# Grit"
    assert_equal 3, response.parsed_body["count"]
    post sendings, params: { paths: [ "x" ] }
    assert_response :unprocessable_entity
    stub_const(Arrival, :MOST, 3) { send_part sendings, "manual/c.md" => "# Ice" }
    assert_response :content_too_large
    get page
    assert_select ".lead", text: /3 files have come/
    get "/arrivals/new"
    assert_select "a", text: "3 files, sent and not read yet"
    post reading
    assert_redirected_to page
    send_part sendings, "manual/late.md" => "# Late"
    assert_response :not_found
    make Arrival.last
    assert_equal %w[Salt Grit], Page.find_by!(title: "The manual").children.order(:position).map(&:title)
  end

  test "a book comes in the order in which it is read" do
    files = { "mimetype" => "application/epub+zip", "META-INF/container.xml" => "<container/>", "EPUB/book.opf" => "<package><manifest><item id='z' href='z.xhtml'/><item id='a' href='a.xhtml'/><item id='n' href='nav.xhtml'/></manifest><spine><itemref idref='n'/><itemref idref='z'/><itemref idref='a'/></spine></package>",
              "EPUB/nav.xhtml" => "<html xmlns:epub='x'><h1>The book</h1><p>All of it</p></html>", "EPUB/a.xhtml" => "<h1>Second</h1><p><a href='z.xhtml#x'>first</a></p>", "EPUB/z.xhtml" => "<h1>First</h1><p id=x>Begin</p>" }
    arrival = bring({ "book.epub" => Zip::OutputStream.write_buffer { |out| files.each { |name, text| out.put_next_entry(name); out.write(text) } }.string })
    get "/arrivals/#{arrival.public_id}/texts"
    assert_equal [ "The book", "First", "Second" ], css_select("input[name=title]").map { |field| field["value"] }
  end

  test "a book among other files stands as one page with its chapters below, and an empty sheet in it is none" do
    opf = "<package><metadata><title>Ropes and lines</title></metadata><manifest><item id='t' href='text/title.xhtml'/><item id='b' href='text/b.xhtml'/><item id='a' href='text/a.xhtml'/>%s</manifest><spine toc='c'><itemref idref='t'/><itemref idref='b'/><itemref idref='a'/></spine></package>"
    texts = { "EPUB/text/title.xhtml" => "<h1>UNTITLED</h1>", "EPUB/text/a.xhtml" => "<h1>Knots</h1><p>Many.</p>", "EPUB/text/b.xhtml" => "<h1>Care</h1><p>Dry.</p>" }
    newer = texts.merge("EPUB/nav.xhtml" => "<nav><h1>Contents</h1><ol><li><a href='text/b.xhtml'>Care</a></li></ol></nav><p>All.</p>", "EPUB/book.opf" => opf % "<item id='n' href='nav.xhtml' properties='nav'/>")
    older = texts.merge("EPUB/toc.ncx" => "<ncx><navMap><navPoint><content src='text/b.xhtml'/><navPoint><content src='text/a.xhtml'/></navPoint></navPoint></navMap></ncx>", "EPUB/book.opf" => opf % "<item id='c' href='toc.ncx'/>")
    packed = [ newer, older ].map { |files| Zip::OutputStream.write_buffer { |out| files.each { |name, text| out.put_next_entry(name) && out.write(text) } }.string }
    tree = ->(pages) { pages.map { |page| [ page.title, *tree.call(page.children.order(:position)).presence&.then { |below| [ below ] } ] } }
    make bring({ "m/a.md" => "# Salt", "m/new.epub" => packed[0], "m/old.epub" => packed[1] }, folder: true)
    assert_equal [ [ "Salt" ], [ "Ropes and lines", [ [ "Care" ], [ "Knots" ] ] ], [ "Ropes and lines", [ [ "Care", [ [ "Knots" ] ] ] ] ] ], tree.call(@room.pages.at_top.order(:position))
    Page.find_each { |page| page.put_in_bin(by: @ida) if page.reload.bin_root_id.nil? }
    make bring({ "new.epub" => packed[0] })
    assert_equal [ [ "Ropes and lines", [ [ "Care" ], [ "Knots" ] ] ] ], tree.call(@room.pages.kept.at_top.order(:position))
  end

  test "books among other files are opened too, and one that cannot be keeps nothing else back" do
    book = Zip::OutputStream.write_buffer do |out|
      { "OEBPS/a.xhtml" => "<h1>First</h1><p>Begin</p>", "more.epub" => "a book within" }.each { |name, text| out.put_next_entry(name) && out.write(text) }
    end.string
    files = { "index.md" => "# All", "shelf/ropes.epub" => book, "shelf/torn.epub" => "no book at all" }
    arrival = bring(files, folder: true)
    expected = { "index.md" => "text", "shelf/ropes.epub" => "packed", "shelf/ropes/OEBPS/a.xhtml" => "text", "shelf/ropes/more.epub" => "other", "shelf/torn.epub" => "other" }
    assert_equal expected, arrival.files.where.not(kind: "folder").where.not("path LIKE 'all%'").pluck(:path, :kind).to_h
    assert_equal "unreadable", arrival.files.find_by!(path: "shelf/torn.epub").problem
    make arrival
    assert Page.exists?(title: "First")
  end

  test "pages that say they are called what all are get the names of their headings, and links to neighbours stay away" do
    page = ->(words, body = "") { "<title>All about ropes</title><h1>All about ropes</h1><div><a href=a.html>&lt;-previous</a><a href=b.html>next-&gt;</a><h2>#{words}</h2><p>#{"Of #{words}. " * 20}</p>#{body}</div>" }
    make bring({ "index.html" => page.("Contents"), **%w[Coils Knots Splices Whips].to_h { |words| [ "#{words.downcase}.html", page.(words, "<h3>Care of #{words}</h3>") ] } }, folder: true)
    assert_equal %w[Coils Contents Knots Splices Whips], Page.order(:title).pluck(:title)
    assert_equal "#{"Of Coils. " * 20}".strip, Zuhause::Document::Text.of(Page.find_by!(title: "Coils").draft.document["content"].first)
    assert_equal [ "Care of Coils" ], Page.find_by!(title: "Coils").draft.document["content"].select { |block| block["type"] == "heading" }.map { |block| Zuhause::Document::Text.of(block) }
  end

  test "the source of what is there as HTML stays away unless somebody says so" do
    made = { "ropes.html" => "<h1>Ropes</h1><p>Coil them and hang them up, away from the sun.</p>", "salt.html" => "<h1>Salt</h1><p>Eats the hinges.</p>" }
    sources = { "_sources/ropes.rst.txt" => "Ropes\n=====\n\nCoil them and hang them up, away from the sun.", "salt.txt" => "Bought on Tuesday: twelve sacks, delivered to the stage" }
    arrival = bring({ **made, **sources }, folder: true)
    get "/arrivals/#{arrival.public_id}"
    assert_select ".arrived-left .arrived-mark", text: "the source of ropes.html", count: 1
    make arrival
    assert_equal [ "Ropes", "Salt", "salt" ], Page.order(:title).pluck(:title)
  end

  test "what only leads on to another, and a copy, become no pages, and links lead to what they meant" do
    page = ->(words, more = "") { "<body><h1>#{words}</h1><p>#{"Mind the #{words}. " * 20}</p>#{more}</body>" }
    on = ->(to) { "<html><head><meta http-equiv='refresh' content='0; url=#{to}'></head><body><p>It is <a href='#{to}'>there</a>.</p></body></html>" }
    files = { "index.html" => page.("House"), "main.html" => page.("House"), "contents.html" => page.("Contents", "<nav><ul><li><a href=https://example.org>Elsewhere</a><li><a href=old.html>Ice</a><li><a href=links.html>Links</a><li><a href=deck.html>Deck</a></ul></nav>"), "deck.html" => page.("Deck", "<h2 id=ice>Ice</h2><p>Salt it.</p>"), "ice.html" => on.("old.html"), "old.html" => on.("deck.html#ice"),
              "round.html" => on.("round.html"), "links.html" => page.("Links", "<p><a href=ice.html>ice</a> <a href=main.html>all</a> <a href=round.html>round</a></p>") }
    arrival = bring(files, folder: true)
    get "/arrivals/#{arrival.public_id}"
    assert_equal [ "only leads on to deck.html", "only leads on to index.html", "only leads on to old.html" ], css_select(".arrived-left .arrived-mark").map(&:text).sort
    make arrival
    assert_equal %w[Contents Deck House Links round], Page.order(:title).pluck(:title)
    _contents, deck, house, links, round = Page.order(:title)
    ice = Zuhause::Document::Walk.blocks(deck.draft.document).find { |block| block["type"] == "heading" }.dig("attrs", "id")
    assert_equal [ "page:#{deck.public_id}##{ice}", "page:#{house.public_id}", "page:#{round.public_id}" ], Zuhause::Links.in(links.draft.document).map { |link| link.target.to_s }
  end

  test "unpacking that was cut off goes on, and nothing comes twice" do
    arrival = bring({ "index.md" => "# All", "b.md" => "# Salt" }, folder: true)
    arrival.files.find_by!(path: "b.md").destroy!
    BringingIn.new(arrival.work.reload).then { |reading| reading.portions.each { |portion| reading.do(portion) } }
    assert_equal %w[all.zip b.md index.md], arrival.files.where.not(kind: "folder").pluck(:path).sort
  end

  test "what is too long for one page becomes several, and links follow" do
    words = "word " * 60_000
    long = "<h1>Long</h1>" + Array.new(8) { |i| "<h2 id=part#{i}>Part #{i}</h2><p>#{words}</p>" }.join + "<p><a href='#part0'>back</a></p>"
    arrival = bring({ "m/long.html" => long, "m/a.html" => "<h1>Short</h1><p><a href='long.html#part7'>seven</a> <a href='long.html'>all</a></p>" }, folder: true)
    make arrival
    long, short = Page.find_by!(title: "Long"), Page.find_by!(title: "Short")
    assert_equal [ "Part 0 – Part 3", "Part 4 – Part 7" ], long.children.order(:position).map(&:title)
    assert_equal [ long.children.order(:position).last.public_id, long.public_id ], short.links.order(:id).pluck(:target_id)
    assert_equal [ long.children.order(:position).first.public_id ], long.children.order(:position).last.links.pluck(:target_id)
    assert_empty arrival.reload.losses.counts
  end

  test "what comes again brings its pages up to date, and keeps what was written in them meanwhile" do
    dot = Rails.root.join("test/files/dot.png").binread
    first = { "m/index.md" => "# All\n\nSee [salt](a.md#how-much).", "m/a.md" => "# Salt\n\nFirst words.\n\n## How much\n\nTwo shovels.\n\n![dot](dot.png)", "m/b.md" => "# Grit\n\nRough.", "m/old.md" => "# Old", "m/dot.png" => dot }
    make bring(first, folder: true), publish: "1"
    salt, grit = Page.find_by!(title: "Salt"), Page.find_by!(title: "Grit")
    picture = PageFile.find_by!(page: salt)
    salt.rename("Salt and more", by: @ida)
    edited = salt.reload.draft.document
    words = edited["content"].first["content"].first
    words["text"] = "First words, mended here."
    salt.save_draft(State.new(title: "Salt and more", document: edited), base_version: salt.draft.version, by: @ida)

    again = bring(first.except("m/old.md").merge("m/a.md" => first["m/a.md"].sub("Two shovels", "Three shovels"), "m/c.md" => "# Ice\n\nSee [salt](a.md#how-much) and [grit](b.md)."), folder: true)
    get "/arrivals/#{again.public_id}"
    assert_select ".said", text: /2 texts are as they were, 1 has changed, 1 is new.*Old/m
    assert_equal({ "m/index.md" => true, "m/a.md" => false, "m/b.md" => true, "m/c.md" => false }, again.files.texts.pluck(:path, :same).to_h)
    assert_match(/Two.*Three/m, look(again, "m/a.md").to_s)
    assert_equal [ "All", "Salt and more", "Grit", "Ice" ].sort, again.files.texts.pluck(:title).sort
    make again, publish: "1"
    assert_equal "done", again.reload.work.state, again.work.problem
    assert_equal [ "Salt and more", "First words, mended here.\nHow much\nThree shovels." ], [ salt.reload.draft.title, Zuhause::Document::Text.of(salt.draft.document).strip ]
    assert_predicate salt, :unpublished_changes?
    assert_equal [ picture.public_id ], Zuhause::Document::Walk.blocks(salt.draft.document).filter_map { |block| block.dig("attrs", "file") }
    ice = Page.find_by!(title: "Ice")
    assert_equal [ [ salt.public_id, Zuhause::Document::Walk.blocks(salt.draft.document).find { |block| Zuhause::Document::Text.of(block) == "How much" }.dig("attrs", "id") ], [ grit.public_id, nil ] ], ice.links.order(:id).pluck(:target_id, :target_block).uniq
    assert_equal [ "All" ], ice.ancestors.map(&:title)
    assert_equal [ 5, 5 ], [ Page.count, Page.kept.count ]

    third = bring(first.except("m/old.md").merge("m/a.md" => first["m/a.md"].sub("Two shovels", "Three shovels"), "m/c.md" => "# Ice\n\nSee [salt](a.md#how-much) and [grit](b.md)."), folder: true)
    assert_equal [ true ], third.files.texts.pluck(:same).uniq
    post "/arrivals/#{third.public_id}/reading", params: { anew: "1" }
    assert_equal [ [ nil ], [ false ] ], [ third.files.texts.pluck(:known_page_id).uniq, third.files.texts.pluck(:left_out).uniq ]
    post "/arrivals/#{again.public_id}/undoing"
    assert_equal [ false, true ], [ Page.kept.exists?(ice.id), Page.kept.exists?(salt.id) ]
  end

  test "what others may not write any more is not brought up to date, and made anew" do
    make bring({ "m/a.md" => "# Salt\n\nOne.", "m/b.md" => "# Grit" }, folder: true)
    salt = Page.find_by!(title: "Salt")
    salt.put_in_bin(by: @ida)
    again = bring({ "m/a.md" => "# Salt\n\nTwo.", "m/b.md" => "# Grit" }, folder: true)
    assert_nil again.files.find_by!(path: "m/a.md").known_page_id
    make again
    assert_equal [ "One.", "Two." ], Page.where(title: "Salt").order(:id).map { |page| Zuhause::Document::Text.of(page.draft.document) }
  end

  test "whoever may not write there any more takes nothing back, and reads no titles" do
    arrival = bring({ "a.md" => "# Salt", "b.md" => "# Grit" })
    make arrival, publish: "1"
    ben = person("Ben Holt")
    @room.grant(holder(ben), :keep)
    @room.grant(holder(@ida), :none)
    travel(1.hour) { save_text(Page.find_by!(title: "Salt"), "More.", by: ben) }
    get "/arrivals/#{arrival.public_id}"
    assert_not_includes response.body, "Salt"
    post "/arrivals/#{arrival.public_id}/undoing"
    assert_response :forbidden
    assert_equal 2, Page.kept.count
    again = bring({ "a.md" => "# Salt\n\nNew.", "b.md" => "# Grit" })
    assert_equal [ nil ], again.files.pluck(:known_page_id).uniq
  end

  test "what is cut in the middle of being read goes on where it was" do
    files = Array.new(9) { |i| [ "m/#{i}.md", "# Page #{i}\n\n[next](#{(i + 1) % 9}.md)" ] }.to_h
    made, count = ReadApart.method(:new), 0
    stub_const(BringingIn, :PORTION, 2) do
      assert_raises(Interrupt) { ReadApart.stub(:new, ->(*given, **more) { (count += 1) == 8 ? raise(Interrupt) : made.call(*given, **more) }) { bring(files, folder: true) } }
      work = Work.order(:id).last
      assert_equal [ "running", 4 ], [ work.state, Arrival.last.files.where.not(reading: nil).count ]
      travel(3.minutes) { WorkJob.perform_now }
      assert_equal [ "done", 9 ], [ work.reload.state, Arrival.last.files.where.not(reading: nil).count ]
    end
    make Arrival.last
    assert_equal [ 9, 9 ], [ Page.count, Reference.where(use: "link", target_kind: "page").distinct.count(:target_id) ]
  end

  test "a packed folder in another one is a file like others, and more than may be is refused as a whole" do
    inner = Zip::OutputStream.write_buffer { |out| out.put_next_entry("b.md") && out.write("# Inner") }.string
    arrival = bring({ "m/a.md" => "# Salt\n\n[more](more.zip)", "m/more.zip" => inner }, folder: true)
    assert_equal({ "m/a.md" => "text", "m/more.zip" => "other", "all.zip" => "packed" }, arrival.files.pluck(:path, :kind).to_h)
    Arrival.stub(:largest_whole, 500) { bring({ "a.md" => "word " * 60, "b.md" => "word " * 60 }, folder: true) }
    assert_equal %w[failed unpacked_large], Work.order(:id).last.then { |work| [ work.state, work.problem ] }
    assert_equal 1, Arrival.count
  end

  test "what stops in the middle of making pages leaves none, and can be begun again" do
    arrival = bring(Array.new(8) { |i| [ "#{i}.md", "# Page #{i}" ] }.to_h)
    count = 0
    made = PageUnderWay.method(:insert_all!)
    stub_const(MovingIn, :PORTION, 2) { PageUnderWay.stub(:insert_all!, ->(rows) { (count += 1) == 3 ? raise("a fault") : made.call(rows) }) { make arrival } }
    assert_equal [ 0, %w[failed unknown] ], [ Page.count, [ arrival.reload.work.state, arrival.work.problem ] ]
    get "/arrivals/#{arrival.public_id}"
    assert_select "[role=alert]", text: /something went wrong/
    make arrival
    assert_equal 8, Page.kept.count
    assert_equal [ "8 pages have been made of what you brought in" ], SentMail.pluck(:subject)
    assert_equal [ 1, 8 ], [ Happening.where(act: "brought_in").count, Happening.where(act: "begun").count ]
  end

  test "where the disk is full it is said, and nothing is half kept or half made" do
    full = ->(*) { raise Errno::ENOSPC }
    post "/arrivals", params: { parts: "1" }
    address = response.parsed_body["sendings"]
    ActiveStorage::Blob.service.stub(:upload, full) { send_part(address, { "a.md" => "# A" }) }
    assert_equal [ 507, "The disk of the house is full. What has come is kept; tell an administrator." ], [ response.status, response.parsed_body["error"] ]
    get address
    assert_empty response.parsed_body["paths"]
    send_part(address, { "a.md" => "# A" })
    assert_response :created

    arrival = bring({ "b.md" => "# B\n\n![dot](dot.png)", "dot.png" => Rails.root.join("test/files/dot.png").binread })
    PageFile.stub(:prepare, full) { make arrival }
    assert_equal [ 0, "disk_full" ], [ Page.count, arrival.reload.work.problem ]
    make arrival
    assert_equal 1, Page.count
  end

  test "nobody else meets what somebody brought in, and it is forgotten after a week" do
    arrival = bring({ "a.md" => "Salt." })
    sign_in person("Ben Holt").tap { |ben| new_room("Ideas", keeper: ben) }
    get("/arrivals/#{arrival.public_id}")
    assert_response :not_found
    %w[texts losses sendings].each { |part| get("/arrivals/#{arrival.public_id}/#{part}") && assert_response(:not_found) }
    %w[sendings reading undoing].each { |part| post("/arrivals/#{arrival.public_id}/#{part}") && assert_response(:not_found) }
    change arrival, key(arrival, "a.md"), title: "Mine"
    assert_response :not_found
    travel(8.days) { ForgetArrivalsJob.perform_now }
    assert_not Arrival.exists?
  end

  test "there are words for every kind of loss, of one and of all" do
    kinds, reports = I18n.t("arrivals.losses.kinds").keys, I18n.t("markup.reports").keys
    assert_equal kinds.sort, reports.sort
    arrival = bring({ "a.html" => "<h1>A</h1><pre>f(<a href='b.html'>B</a>)</pre>" })
    get "/arrivals/#{arrival.public_id}/texts/#{key(arrival, "a.html")}"
    assert_select "details li", text: "Code bears no links, so this one is text: b.html"
    get "/arrivals/#{arrival.public_id}/losses", params: { code: "code_link" }
    assert_select "main", text: /Links within code.*b\.html/m
  end

  test "one broken picture spoils nothing else, and is told" do
    dot = Rails.root.join("test/files/dot.png").binread
    arrival = bring({ "gangway.md" => "Before.\n\n![Whole](whole.png)\n\n![Cut](cut.png)\n\nAfter.", "whole.png" => dot, "cut.png" => dot.byteslice(0, dot.bytesize / 2) })
    text = arrival.files.texts.first
    assert_equal 1, text.pictures
    assert_includes text.held["reports"].map { |report| report["code"] }, "picture"
    make arrival
    assert_equal %w[paragraph figure paragraph paragraph], Page.last.draft.document["content"].map { |node| node["type"] }
  end

  test "what all together takes too long is left unread, and told" do
    arrival = stub_const(ReadApart::Run, :MOST_ENDS, 0) { bring({ "a.md" => "Salt.", "b.md" => "Grit." }) }
    assert_equal %w[too_long too_long], arrival.files.pluck(:problem)
    get "/arrivals/#{arrival.public_id}"
    assert_select "main", text: /b\.md was not read, since it, or all together, take too long/
  end

  private

  def drop(page, name, bytes)
    post "/p/#{page.to_param}/texts", params: { file: Rack::Test::UploadedFile.new(StringIO.new(bytes), "application/octet-stream", original_filename: name) }, headers: { "Accept" => "application/json" }
  end

  def send_part(address, files)
    post address, params: { paths: files.keys, files: files.map { |name, text| Rack::Test::UploadedFile.new(StringIO.new(text), "application/octet-stream", original_filename: File.basename(name)) } }
  end

  def office(form)
    html = "<h1>Winter checklist</h1><h2>Before</h2><p>Read <b>this</b>.</p><ul><li>Grit</li><li>Salt</li></ul><table><tr><th>a</th></tr><tr><td>b</td></tr></table><p><img src='data:image/png;base64,#{PIXEL}' alt='dot'></p>"
    out, = Open3.capture2("pandoc", "--from", "html", "--to", form, "--output", "-", stdin_data: html, binmode: true)
    out
  end
end
