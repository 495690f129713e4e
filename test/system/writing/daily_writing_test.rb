require "application_system_test_case"

# The rest of daily writing: moving and turning blocks, finding and replacing, sources, templates, the draft as text.
class DailyWritingTest < ApplicationSystemTestCase
  include Writing

  setup do
    @ida = person("Ida Karlow")
    @room = new_room("On Board", keeper: @ida, open: true)
    @page = new_page("Gangway in ice", above: @room, by: @ida, markdown: "First grit.\n\nThen salt.\n\nSalt eats steel; SALT eats bolts.")
    sign_in_as @ida
  end

  test "blocks are moved by key, chosen by their edge, made others, and marked from the menu on what is chosen" do
    write
    editor.send_keys [ :alt, :down ]
    assert_equal [ "Then salt.", "First grit." ], blocks.first(2)
    editor.send_keys [ :alt, :up ], [ :control, "z" ]
    assert_equal [ "Then salt.", "First grit." ], blocks.first(2)
    choose_block "p", "Salt eats"
    assert_accessible
    select "Make it a caution", from: "Make it a …"
    assert_selector ".ProseMirror .notice-caution", text: "Salt eats"
    choose_block ".notice-caution p", "Salt eats"
    within(".bench-context") { click_on "Up" }
    assert_equal "Salt eats steel; SALT eats bolts.", blocks[1]
    find(".ProseMirror p", text: "Then salt.").click
    assert_no_selector ".bench-context"
    select_words "First"
    assert_selector ".selection-menu", visible: true
    assert_accessible
    within(".selection-menu") { select "Moss", from: "Colour", match: :first }
    assert_selector ".ProseMirror mark.highlight-moss", text: "First"
    saved
    assert_equal %w[paragraph notice paragraph], draft["content"].map { |node| node["type"] }
  end

  test "a block is dragged by its edge to where the line shows" do
    write
    find(".ProseMirror p", text: "First").hover
    drag_edge_below "Then salt."
    assert_equal [ "Then salt.", "First grit." ], blocks.first(2)
    saved
    assert_equal "Then salt.", Zuhause::Document::Text.of(draft["content"].first)
  end

  test "words are found and replaced, as written and whole, and that is undone as one" do
    write
    editor.send_keys [ :control, "f" ]
    within("[data-search-panel]") do
      fill_in "Find", with: "salt"
      assert_text "1 of 3"
      check "As written"
      assert_text "1 of 1"
      uncheck "As written"
      fill_in "Replace with", with: "brine"
      assert_accessible
      click_on "Replace all"
      assert_text "Not found"
    end
    assert_selector ".ProseMirror", text: "brine eats steel; brine eats bolts."
    find("#find-words").send_keys :escape
    editor.send_keys [ :control, "z" ]
    assert_selector ".ProseMirror", text: "Salt eats steel; SALT eats bolts."
  end

  test "what is typed without a pause is undone some words at a time" do
    write
    editor.send_keys [ :control, :end ], :enter, "Fog lies on the sound and the watch calls out each fathom."
    editor.send_keys [ :control, "z" ]
    assert_selector ".ProseMirror", text: "Fog lies on the sound and the watch"
    assert_no_selector ".ProseMirror", text: "each fathom"
    editor.send_keys [ :control, "z" ], [ :control, "z" ]
    assert_no_selector ".ProseMirror", text: "Fog"
    editor.send_keys [ :control, :shift, "z" ]
    assert_selector ".ProseMirror", text: "Fog"
    assert_no_selector ".ProseMirror", text: "watch"
  end

  test "a work is cited, entered once, found again, and listed with ways back" do
    write
    editor.send_keys [ :control, :end ]
    cite "https://quay.example/salt"
    within("[data-source-panel]") do
      fill_in "Title", with: "Salt and steel"
      fill_in "Page or chapter cited", with: "p. 3"
      assert_accessible
      click_on "Keep and cite it"
    end
    assert_selector ".ProseMirror .cite", text: "[Salt and steel, p. 3]"
    insert "source", /^source/i
    choose_from_list "steel", /Salt and steel/
    publish
    assert_selector ".references-list li", count: 1, text: "Salt and steel"
    assert_equal [ "[1, p. 3]", "[1]" ], all(".text .cite").map(&:text)
    assert_accessible
    within(".plan") { click_on "Sources" }
    assert_text "cited on 1 page"
    assert_accessible
    click_on "Salt and steel"
    fill_in "Author", with: "Ann Berg"
    click_on "Save"
    assert_text "Ann Berg"
  end

  test "a page begins from a template, and Tab hops from blank to blank" do
    visit "/p/new?above=#{@room.public_id}"
    assert_accessible
    fill_in "Title", with: "Bunkering"
    choose "template_decision"
    find(".form-new .button-main").click
    at_start
    editor.send_keys :tab, "We bunker at dawn", :tab, "3 May"
    assert_selector ".ProseMirror .notice", text: "Decided: We bunker at dawn, on 3 May, by who."
    saved
    editor.send_keys :tab
    assert_no_selector "[data-selection-menu]" # a chosen blank waits to be typed over
    editor.send_keys %i[shift left]
    assert_selector "[data-selection-menu]"
    assert_selector ".ProseMirror var", text: "who"
    editor.send_keys [ :control, :enter ]
    assert_selector ".publish-words", text: "blanks have not been filled in"
    assert_accessible
  end

  test "the draft is written as Markdown in an editor of its own, and what it cannot say is marked" do
    visit "/p/#{@page.to_param}/markdown/edit"
    assert_selector "[data-ready=true] .cm-content"
    find(".cm-content").send_keys [ :control, :home ], "<b>x</b> "
    assert_selector ".source-reports", text: "Line 1: HTML is kept as code"
    assert_selector ".source-unread"
    assert_accessible
    find(".cm-content").send_keys [ :control, "z" ], [ :control, :end ], "\nFrom the source."
    assert_selector ".source-reports", text: "Everything is understood."
    click_on "Save"
    assert_selector ".ProseMirror", text: "From the source."
    find(".bench-more summary").click
    click_on "Preview"
    assert_text "The draft, as a member who may read would read it"
    assert_accessible
  end

  test "tables are sorted and taken away while reading, headings give their address, and a part that is gone is told" do
    save_text(@page, "# Stages {#abcd1234}\n\n| Stage | Grit |\n| --- | --- |\n| Vikness | 10 kg |\n| Aldermoor | 9 kg |\n| Little Sound | 100 kg |", by: @ida)
    @page.reload.publish(version: @page.draft.version, by: @ida)
    visit "/p/#{@page.to_param}#b-zzzzzzzz"
    assert_text "The part that the link led to is gone"
    click_on "Sort by Grit"
    assert_equal [ "9 kg", "10 kg", "100 kg" ], column(2)
    click_on "Sort by Grit"
    assert_equal [ "100 kg", "10 kg", "9 kg" ], column(2)
    click_on "Sort by Stage"
    assert_equal [ "Aldermoor", "Little Sound", "Vikness" ], column(1)
    assert_link "Take the table away as CSV"
    find(".text h2").hover
    click_on "Copy the address of this heading"
    assert_equal "#b-abcd1234", page.evaluate_script("location.hash")
    assert_no_text "The part that the link led to is gone"
    assert_accessible
  end

  test "galleries, cards, signs and days in words; rows and columns of tables are moved" do
    write
    editor.send_keys [ :control, :end ], :enter
    click_on "Insert"
    choose_from_list "gallery", /^gallery/i
    find("[data-file]", visible: :all).set(%w[read.png find.png].map { |name| Rails.root.join("docs/screenshots", name).to_s }.join("\n"))
    assert_selector ".ProseMirror .gallery figure", count: 2
    2.times do
      first(".figure-wanting").click
      page.active_element.send_keys "A page"
    end
    select "Slides", from: "Shown as"
    editor.send_keys [ :control, :end ], :enter
    insert "card", /^card/i
    fill_in "Address of the web", with: "https://tides.example/today"
    fill_in "What it is", with: "Tides today"
    editor.send_keys [ :control, :end ]
    insert "emoji", /^emoji/i
    choose_from_list "anchor", /anchor/
    insert "date", /^date/i
    choose_from_list "1 Dec 2030", /1 Dec 2030/
    editor.send_keys :enter
    insert "table", /^table/i
    page.active_element.send_keys "a", :tab, "b", :tab, "c", :tab, "1", :tab, "2", :tab, "3"
    find("[data-table-acts]").select "Move the column left"
    assert_equal %w[a c b], all(".ProseMirror th").map(&:text)
    assert_accessible
    publish
    assert_selector ".gallery-slides figure img", count: 2
    assert_selector "a.card[href='https://tides.example/today']", text: "Tides today"
    assert_selector ".text", text: "⚓"
    assert_selector "time[datetime='2030-12-01']"
    assert_accessible
  end

  test "what a block's writer decides stands beside it: width, where it leads, depth, columns, headings, shares" do
    other = new_page("Salt", above: @room, by: @ida, markdown: "# Where salt lies\n\nIn the box.")
    file = PageFile.take(Rack::Test::UploadedFile.new(Rails.root.join("docs/screenshots/read.png"), "image/png"), page: @page, by: @ida)
    save_text(@page, <<~MARKDOWN, by: @ida)
      ::: contents_list
      :::

      ::: figure {file="#{file.public_id}" alt="A page"}

      :::

      ::: live_insert {page="#{other.public_id}"}
      :::

      ::: columns

      ::: column

      Left

      :::

      ::: column

      Right

      :::

      :::

      ::: references
      :::

      مرحبا
    MARKDOWN
    visit "/p/#{@page.to_param}/draft/edit"
    editor
    find(".figure-grip").send_keys :left, :left
    assert_selector ".ProseMirror figure.width-60"
    find(".ProseMirror figcaption").click
    fill_in "Leads to (address)", with: "https://salt.example/"
    select "First level", from: "Depth"
    select "Two columns", from: "Columns of references"
    find(".live-insert input[type=checkbox]").check
    find(".column p", text: "Left").click
    select "First one wider", from: "Columns"
    saved
    assert_equal [ 60, "https://salt.example/" ], block("figure")["attrs"].values_at("width", "target")
    assert_equal [ 1, 2, true, 2 ], [ block("contents_list")["attrs"]["depth"], block("references")["attrs"]["columns"], block("live_insert")["attrs"]["headings"], block("column")["attrs"]["share"] ]
    publish
    assert_selector ".contents-list a", text: "Where salt lies"
    assert_selector "figure.width-60 a[href='https://salt.example/'] img"
    arabic = find(".text p", text: "مرحبا")
    assert_equal "plaintext", arabic.native.css_value("unicode-bidi")
    assert_accessible
  end

  test "files are brought in, looked at and made pages" do
    Rails.root.join("tmp/bring.md").write("# Salt\n\nFrom [grit](bring2.md) and <b>x</b>.")
    Rails.root.join("tmp/bring2.md").write("# Grit\n\nCoarse.")
    visit "/p/new?above=#{@room.public_id}"
    click_on "Bring in files"
    attach_file "Files", %w[tmp/bring.md tmp/bring2.md].map { |path| Rails.root.join(path) }
    assert_accessible
    click_on "Read them"
    assert_text "2 pages would be made"
    click_on "Look at “Salt” as it will be"
    assert_selector ".arrived-text .text", text: "From grit"
    assert_accessible
    click_on "Make these pages"
    assert_text "2 pages have been made"
    assert_accessible
    click_on "Look at it"
    assert_selector "h1", text: "Salt"
    assert_selector ".text a", text: "grit"
  end

  private

  def write
    visit "/p/#{@page.to_param}/draft/edit"
    at_start
  end

  def at_start
    editor
    page.execute_script "document.querySelector('.ProseMirror').editor.commands.focus('start')"
    assert_selector ".ProseMirror:focus"
  end

  def drag_edge_below(words)
    target = find(".ProseMirror p", exact_text: words)
    edge = find(".edge").native
    page.driver.browser.action.click_and_hold(edge).move_to(target.native, 0, 10).perform
    assert_selector ".place-line"
    page.driver.browser.action.release.perform
    assert_no_selector ".place-line"
  end

  def blocks
    all(".ProseMirror > *").map(&:text)
  end

  def column(number)
    all(".text tbody tr").drop(1).map { |row| row.all("td")[number - 1].text }
  end

  def cite(typed)
    insert "source", /^source/i
    choose_from_list typed, /Enter/
  end

  def select_words(words)
    page.execute_script(<<~JS, words)
      const { editor } = document.querySelector(".ProseMirror")
      editor.state.doc.descendants((node, pos) => {
        const at = node.isText ? node.text.indexOf(arguments[0]) : -1
        if (at >= 0) editor.chain().focus().setTextSelection({ from: pos + at, to: pos + at + arguments[0].length }).run()
      })
    JS
    assert_selector ".ProseMirror:focus"
  end
end
