require "application_system_test_case"

# The caret, the keys and the bar at the bottom.
class WorkbenchTest < ApplicationSystemTestCase
  include Writing

  setup do
    @ida = person("Ida Karlow")
    @room = new_room("On Board", keeper: @ida, open: true)
    @page = new_page("Gangway in ice", above: @room, by: @ida, markdown: Array.new(30) { |i| "Line #{i} of the text." }.join("\n\n"))
    sign_in_as @ida
  end

  test "the caret is in the text from the first moment, and no letter acts as a key" do
    visit "/p/new?above=#{@room.public_id}"
    assert_selector "#page_title:focus"
    page.active_element.send_keys "Fresh", :enter
    assert_selector "[data-ready=true] .ProseMirror:focus"
    page.active_element.send_keys "n f w h l m p are letters"
    assert_selector ".ProseMirror", text: "n f w h l m p are letters"
    page.execute_script "document.activeElement.blur()"
    find("body").send_keys "z"
    assert_selector ".ProseMirror:focus", text: "lettersz"
    saved
  end

  test "writing goes on where one left off, and after every dialog the caret is back" do
    open_draft
    page.execute_script "document.querySelector('.ProseMirror').editor.commands.setTextSelection(8)"
    click_on "Close"
    assert_selector "h1", text: "Gangway in ice"
    open_draft
    assert_selector ".ProseMirror:focus"
    page.active_element.send_keys "!"
    assert_selector ".ProseMirror p", text: "Line 0 !of the text."
    page.active_element.send_keys :f1
    assert_selector "dialog[open] h2", text: "Keys"
    assert_accessible
    page.active_element.send_keys :escape
    assert_selector ".ProseMirror:focus"
    find("a.fact", text: "Kept by").click
    assert_selector "#panel[open]", text: "Who"
    page.active_element.send_keys :escape
    assert_selector ".ProseMirror:focus"
    page.active_element.send_keys [ :control, :enter ]
    assert_selector "#note:focus"
    page.active_element.send_keys :escape
    assert_no_selector "[data-publish-panel]"
    assert_selector ".ProseMirror:focus"
  end

  test "a click below the last line writes there, and below a table there is a line that is saved only when written on" do
    save_text(@page, "| a |\n| - |\n| b |", by: @ida)
    open_draft
    assert_selector ".ProseMirror > p", count: 1
    below_text
    page.active_element.send_keys "Below."
    saved
    assert_equal %w[table paragraph], draft["content"].map { |node| node["type"] }
    page.active_element.send_keys(*Array.new(6, :backspace))
    saved
    assert_equal %w[table], draft["content"].map { |node| node["type"] }
  end

  test "the line that is typed is never behind a bar" do
    open_draft
    page.active_element.send_keys [ :control, :end ]
    6.times do
      page.active_element.send_keys :enter, "More."
      assert_caret_seen
    end
    30.times { page.active_element.send_keys :arrow_up }
    assert_caret_seen
    click_on "Insert"
    assert_selector "#link-choices [role=option]"
    assert_caret_seen
    page.active_element.send_keys :escape
    page.active_element.send_keys [ :control, :end ], " /"
    assert_selector "#link-choices [role=option]"
    assert_caret_seen
  end

  test "what is found is shown one by one, told, never covered, and the one that is seen is replaced" do
    open_draft
    page.execute_script "document.querySelector('.ProseMirror').editor.commands.focus('start')"
    page.active_element.send_keys [ :control, "f" ], "text"
    assert_text "1 of 30"
    29.times { page.active_element.send_keys(:enter) && assert_caret_seen }
    assert_text "30 of 30"
    click_on "Previous"
    assert_text "29 of 30"
    fill_in "Replace with", with: "song"
    click_on "Replace", exact: true
    assert_selector ".ProseMirror p", text: "Line 28 of the song."
    assert_text "29 of 29"
    find("#find-words").send_keys :escape
    assert_selector ".ProseMirror:focus"
  end

  test "one key leads to the workbench and back, and arrows through it" do
    save_text(@page, "| a |\n| - |\n| b |", by: @ida)
    open_draft
    find(".ProseMirror td").click
    page.active_element.send_keys :f6
    assert_selector "[data-table-gutter] button:focus"
    page.active_element.send_keys :enter
    assert_selector ".ProseMirror tr", count: 3
    assert_selector ".ProseMirror:focus"
    page.active_element.send_keys :f6, :f6
    assert_selector "[data-context] button:focus", text: "Row above"
    page.active_element.send_keys :arrow_right
    assert_selector "[data-context] button:focus", text: "Row below"
    page.active_element.send_keys :f6
    assert_selector "[data-tools] button:focus", text: "Insert"
    page.active_element.send_keys :f6
    assert_selector ".ProseMirror:focus"
    assert_accessible
  end

  test "menus close by Escape and by a click elsewhere" do
    open_draft
    find(".bench-more summary").click
    assert_selector ".bench-more[open]"
    page.active_element.send_keys :escape
    assert_no_selector ".bench-more[open]"
    find(".bench-more summary").click
    find(".ProseMirror p", match: :first).click
    assert_no_selector ".bench-more[open]"
    click_on "Link"
    assert_selector "[data-link-panel]"
    find(".ProseMirror p", match: :first).click
    assert_no_selector "[data-link-panel]"
    find("summary .me").click
    find("body").send_keys :escape
    assert_no_selector ".menu[open]"
  end

  test "at every width all acts are within reach and nothing pushes them away" do
    open_draft
    page.execute_script "document.querySelector('[data-told-words]').textContent = 'Something long to say. '.repeat(9); document.querySelector('[data-told]').hidden = false; document.querySelector('[data-state]').textContent = 'No connection. Your text is kept in this browser. '.repeat(3)"
    [ 1280, 1024, 390 ].each do |width|
      page.driver.browser.execute_cdp("Emulation.setDeviceMetricsOverride", width: width, height: 780, deviceScaleFactor: 1, mobile: false)
      cut = page.evaluate_script(<<~JS)
        [...document.querySelectorAll(".bench-ends > *, .bench-ends summary, .tools > :is(button, select)")].filter((tool) => tool.offsetParent).map((tool) => [tool, tool.getBoundingClientRect()])
          .filter(([tool, box]) => box.left < 0 || (box.right > innerWidth && !tool.closest(".tools")) || box.bottom > innerHeight || (innerWidth < 400 && (box.height < 44 || box.width < 44))).map(([tool]) => tool.outerHTML.slice(0, 80))
      JS
      assert_empty cut, "at #{width}"
      assert_operator page.evaluate_script("document.documentElement.scrollWidth"), :<=, width
    end
    first_tools = all("[data-tools] button").first(3).map { |tool| tool[:title] }
    assert_match(/Insert.*Undo.*Redo/, first_tools.join)
  ensure
    page.driver.browser.execute_cdp("Emulation.clearDeviceMetricsOverride")
  end

  private

  def open_draft
    visit "/p/#{@page.to_param}/draft/edit"
    editor
  end

  def below_text
    box = page.evaluate_script("(({ left, bottom }) => [left, bottom])(document.querySelector('.ProseMirror').lastElementChild.getBoundingClientRect())")
    page.driver.browser.action.move_to_location(box[0].to_i + 20, box[1].to_i + 60).click.perform
  end

  # Between the roof and whatever stands lowest over the text.
  def assert_caret_seen
    place = page.evaluate_script(<<~JS)
      (() => {
        const { view } = document.querySelector(".ProseMirror").editor
        const caret = view.coordsAtPos(view.state.selection.head)
        const covers = [...document.querySelectorAll(".bench, .bench-panel:not([hidden])")].map((part) => part.getBoundingClientRect()).filter((box) => box.left < caret.left && box.right > caret.left)
        return { above: caret.top - document.querySelector(".roof").getBoundingClientRect().bottom, below: Math.min(...covers.map((box) => box.top)) - caret.bottom }
      })()
    JS
    assert_operator place["above"], :>=, 0
    assert_operator place["below"], :>=, 0
  end
end
