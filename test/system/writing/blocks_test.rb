require "application_system_test_case"

# Writing with everything that a page can hold.
class BlocksTest < ApplicationSystemTestCase
  include Writing

  setup do
    @ida = person("Ida Karlow")
    @ben = person("Ben Holt")
    @room = new_room("On Board", keeper: @ida, open: true)
    @page = new_page("Gangway in ice", above: @room, by: @ida, markdown: "Begin.")
    sign_in_as @ida
    visit "/p/#{@page.to_param}/draft/edit"
    editor.send_keys [ :control, :end ], :enter
  end

  test "a table is inserted, filled by keyboard, grown and published" do
    insert "table"
    page.active_element.send_keys "Stage", :tab, "Grit", :tab, "Salt", :tab, "Vikness", :tab, "two sacks"
    within(".bench-context") { click_on "Row below" }
    assert_selector ".ProseMirror tr", count: 4
    select "Take the column out", from: "Table"
    assert_selector ".ProseMirror th", count: 2
    paste_files({ path: "docs/screenshots/read.png", name: "sacks.png", type: "image/png" })
    assert_selector ".ProseMirror td figure img"
    click_on "Say what it shows"
    page.active_element.send_keys "Two sacks of grit"
    assert_accessible
    publish
    assert_selector ".text td figure img[alt='Two sacks of grit']"
    assert_equal [ "Stage Salt", "Vikness" ], all(".text tr").first(2).map { |row| row.text.squish }
    assert_accessible
    assert_equal 2, block("table")["content"].first["content"].size
  end

  test "lists are begun by what is typed, and in a list the same sign goes on, another changes this item alone" do
    editor.send_keys "- one", :enter, "- two", :enter, "[ ] three", :enter, "[x] four", :enter, "4. five", :enter, "six"
    saved
    lists = %w[bullet_list task_list ordered_list].map { |type| block(type) }
    assert_equal [ %w[one two], %w[three four], %w[five six] ], lists.map { |list| list["content"].map { |item| Zuhause::Document::Text.of(item) } }
    assert_equal [ nil, true ], lists[1]["content"].map { |item| item["attrs"]["done"] }
    assert_equal 4, lists[2]["attrs"]["start"]
  end

  test "tasks are written with who and when, and a fold, columns, a contents list and a date are inserted" do
    insert "task list"
    page.active_element.send_keys "Order grit", :enter, "Order salt", :enter, :enter
    first(".ProseMirror .task").hover
    first("select[aria-label='Who does it']").select "Ben Holt"
    first("input[aria-label='Due']").set(Date.new(2026, 12, 1))
    first(".ProseMirror .task input[type=checkbox]").click
    all(".ProseMirror .task")[1].hover
    all("button", text: "in words").last.click
    choose_from_list "1 Dec 2030", /1 Dec 2030/
    editor.send_keys [ :control, :end ]
    insert "fold"
    find("input[aria-label='Title that opens and closes it']").send_keys "On Sundays"
    editor.send_keys [ :control, :end ], "No bus.", :enter
    insert "date"
    saved
    tasks = block("task_list")["content"]
    assert_equal [ { "done" => true, "assignee" => @ben.public_id, "due" => "2026-12-01" }, { "due" => "2030-12-01" } ], tasks.map { |task| task.fetch("attrs").except("id") }
    assert_equal "On Sundays", block("fold")["attrs"]["title"]
    assert_accessible
    publish
    assert_selector ".task-ticked[aria-label='Done: Order grit']"
    assert_selector ".task-facts", text: "Ben Holt, by 1 Dec 2026"
    find("button[aria-label='Done: Order salt']").click
    assert_selector ".task-ticked[aria-label='Done: Order salt']"
    visit current_path
    assert_selector ".task-ticked[aria-label='Done: Order salt']"
    find("summary", text: "On Sundays").click
    assert_text "No bus."
    assert_accessible
    sign_out
    sign_in_as @ben
    within(".plan") { click_on "My tasks" }
    click_on "Done"
    assert_selector ".row-main", text: "Order grit"
    assert_accessible
    visit "/p/#{@page.to_param}"
    assert_selector ".task-ticked[role=img]", count: 2
    assert_no_selector "[data-tick]"
  end

  test "a passage of another page is shown live, and its page tells where" do
    signals = new_page("Signals", above: @room, by: @ida, markdown: "Before.\n\n::: passage {name=\"By horn\"}\n\nThree short.\n\n:::")
    hidden = new_page("Wages", above: new_room("Pay", keeper: @ida), by: @ida, markdown: "Sums.")
    insert "live insert"
    choose_from_list "Sig", "Signals"
    choose_from_list "horn", "By horn"
    assert_selector ".ProseMirror .insert", text: "Three short."
    editor.send_keys [ :control, :end ], :enter
    insert "live insert"
    choose_from_list "Wag", "Wages"
    assert_selector ".bench-told", text: "may not read “Wages”"
    assert_accessible
    publish
    assert_selector ".insert", text: "Passage “By horn”, shown live from Signals"
    assert_selector ".insert", text: "Sums."
    visit "/p/#{signals.to_param}"
    assert_selector ".margin", text: /Shown on 1 page\s*Gangway in ice/
    sign_out
    sign_in_as @ben
    visit "/p/#{@page.to_param}"
    assert_selector ".insert", text: "Three short."
    assert_selector ".insert-none", text: "not open to you"
    assert_no_text hidden.title
    assert_accessible
  end

  test "typing / and @ opens the choices, Escape gives the sign back, and marks are set by key" do
    editor.send_keys "Ask @"
    choose_from_list "ben", "Ben Holt"
    assert_selector ".ProseMirror .mention", text: "Ben Holt"
    editor.send_keys "or /"
    assert_selector "[data-link-panel] label", text: "What to insert"
    page.active_element.send_keys :escape, :space
    editor.send_keys "and H", [ :control, "," ], "2", [ :control, "," ], "O"
    saved
    text = draft["content"].last["content"]
    assert_equal "or / and H", text[-3]["text"].strip
    assert_equal [ { "type" => "sub" } ], text[-2]["marks"]
  end

  test "a picture beside the text stays within the sheet, read and written, and one in the middle stands in it" do
    saved
    file = PageFile.take(Rack::Test::UploadedFile.new(Rails.root.join("docs/screenshots/read.png"), "image/png"), page: @page, by: @ida)
    figure = ->(side) { "::: figure {file=\"#{file.public_id}\" alt=\"A page\" width=\"50\" side=\"#{side}\"}\n:::" }
    save_text(@page.reload, "#{figure.("center")}\n\nShort.\n\n#{figure.("right")}", by: @ida)
    @page.reload.publish(version: @page.draft.version, by: @ida)
    [ "/p/#{@page.to_param}", "/p/#{@page.to_param}/draft/edit" ].each do |path|
      visit path
      assert_selector ".sheet .figure-right img"
      boxes = page.evaluate_script(<<~JS)
        [".figure-right", ".figure-center", ".sheet:has(.figure)"].map((selector) => document.querySelector(selector).getBoundingClientRect()).map(({ left, right, bottom }) => ({ left, right, bottom }))
      JS
      right, centre, sheet = boxes
      assert_operator right["bottom"], :<=, sheet["bottom"], path
      assert_in_delta centre["left"] - sheet["left"], sheet["right"] - centre["right"], 2, path
    end
  end

  test "pictures are pasted, described and placed, files stand as cards, and what is refused is told" do
    expect_problem "422"
    paste_files({ path: "docs/screenshots/read.png", name: "gangway.png", type: "image/png" }, { path: "bin/setup", name: "setup.exe", type: "application/octet-stream" })
    assert_selector ".ProseMirror figure img"
    assert_selector ".bench-told", text: "setup.exe: Files of that type cannot be kept here."
    assert_accessible
    click_on "Say what it shows"
    page.active_element.send_keys "A gangway in frost"
    select "50 %", from: "Width"
    select "right, text beside it", from: "Side"
    assert_accessible
    find(".ProseMirror figcaption").click
    editor.send_keys "Below minus two", :enter, "Next."
    saved
    figure = block("figure")
    assert_equal [ "A gangway in frost", 50, "right", "Below minus two" ], [ *figure["attrs"].values_at("alt", "width", "side"), Zuhause::Document::Text.of(figure) ]
    Rails.root.join("tmp/stages.csv").write("stage,grit\nVikness,2\n")
    Rails.root.join("tmp/stages.txt").write("Vikness: two sacks")
    find("[data-file]", visible: :all).set(%w[tmp/stages.txt tmp/stages.csv].map { |path| Rails.root.join(path).to_s }.join("\n"))
    assert_selector ".ProseMirror .embed", text: "stages.txt"
    assert_selector ".ProseMirror td", text: "Vikness"
    publish
    assert_selector "figure.figure-right img[alt='A gangway in frost']"
    assert_selector ".embed", text: "stages.txt"
    assert page.evaluate_async_script("document.querySelector('figure img').decode().then(arguments[0].bind(null, true), arguments[0])"), "the picture is shown"
    assert_accessible
  end
end
