require "application_system_test_case"

class NotesTest < ApplicationSystemTestCase
  include SeveralPeople

  MARKDOWN = "Salt *and grit* lie in the box, ask [x](mention:PERSON) for it.\n\n- Clear the tread, then test it.\n\n| Stage | Sand |\n| --- | --- |\n| Vikness | none left |\n\nCall the night desk before nine.\n\n# Later\n\n#{"More words.\n\n" * 12}Close the gangway.".freeze

  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @room = new_room("On Board", keeper: @ana, open: true)
    @room.grant(holder(:everyone), :comment)
    @page = new_page("Gangway in ice", above: @room, by: @ana, markdown: MARKDOWN.sub("PERSON", @ana.public_id))
  end

  test "two people: one says something where it stands, the other answers and settles it" do
    as(@ben) do
      visit page_path(@page)
      mark "lie in the box"
      click_on "Note", exact: true
      assert_accessible
      within(".note-new") { fill_in "Your note", with: "Which box? @An" }
      find(".names [role=option]", text: "Ana Berg").click
      within(".note-new") { click_on "Put it here" }
      assert_selector ".notes-said", text: "The note stands here."
      assert_selector ".noted", text: "lie in the box"
      assert_selector ".note-open .mention", text: "@Ana Berg"
    end
    as(@ana) do
      visit page_path(@page)
      assert_at_its_text "lie in the box"
      press "."
      assert_selector ".note-open", text: "Which box?"
      assert_equal remark.public_id, page.active_element["data-remark"]
      assert_accessible
      within(".note-open") { fill_in "Say something to it", with: "The red one." }
      click_on "Reply"
      assert_selector ".note-replies", text: "The red one."
    end
    as(@ben) do
      visit remark_path(remark)
      click_on "To its place in the page"
      assert_selector ".note-open .note-replies", text: "The red one."
      page.active_element.send_keys "s"
      assert_selector ".notes-said", text: "Settled."
      assert_no_selector ".noted"
      click_on "1 settled"
      assert_selector ".note-state", text: "settled by Ben Holt"
      click_on "Open again"
      assert_selector ".said", text: "Open again."
      visit page_path(@page)
      assert_selector ".noted", text: "lie in the box"
    end
  end

  test "marks lie on the words that were meant, around names, in lists, cells and over several blocks" do
    { "for it." => "for it.", "tread, then" => "tread, then", "none left" => "none left" }.each do |words, quote|
      note(@page, quote, by: @ben, body: words)
    end
    across = pointed(@page, "before nine.").tap { |given| given.length += 6; given.quote = nil }
    Remark.note(@page, across, by: @ben, body: "across")
    as(@ana) do
      visit page_path(@page)
      assert_equal [ "for it.", "tread, then", "none left", "before nine.", "Later" ], all(".noted").map { |mark| mark.text(normalize_ws: true).strip }
      mark "none left"
      click_on "Note", exact: true
      within(".note-new") { fill_in "Your note", with: "Since when?" }
      click_on "Put it here"
      assert_selector ".notes-said", text: "The note stands here."
      assert_equal "none left", Remark.last.quote
    end
  end

  test "proposed words are taken by a key, and stand in the draft" do
    as(@ben) do
      visit page_path(@page)
      mark "before nine"
      click_on "Other words"
      within(".note-new") { fill_in "These words instead", with: "before ten" }
      click_on "Put it here"
      assert_selector ".notes-said", text: "Proposed."
      assert_no_selector "[data-act=take]"
    end
    as(@ana) do
      visit page_path(@page)
      press "."
      assert_selector ".noted-words del", text: "nine"
      assert_selector ".noted-words ins", text: "ten"
      assert_accessible
      page.active_element.send_keys "t"
      assert_selector ".notes-said", text: "These words stand in the draft now."
      assert_match(/before ten/, Zuhause::Document::Text.of(@page.reload.draft.document))
      assert_selector ".text", text: "before nine"
    end
  end

  test "many on one block fold up, and a phone shows them in a drawer" do
    5.times { |i| note(@page, "night desk", by: @ben, body: "Number #{i}") }
    as(@ana) do
      visit page_path(@page)
      assert_selector ".note", count: 2
      click_on "3 more here"
      assert_selector ".note", count: 5
      assert_no_overlap
      on_a_phone do
        visit page_path(@page)
        assert_no_selector ".note"
        all(".noted-sign").last.click
        assert_selector ".note-open", text: /Number \d/, count: 1
        assert_accessible
        find(".notes-drawer .drawer-close").click
        assert_no_selector ".note"
      end
    end
  end

  test "a note on the draft is made while writing, moves with the text, and is nobody else's until it is published" do
    as(@ana) do
      visit edit_page_draft_path(@page)
      assert_selector "[data-ready=true]"
      find(".ProseMirror p", text: "Close the gangway").click
      page.active_element.send_keys :end, " Call the Auk.", *Array.new(8) { [ :shift, :left ] }, [ :alt, "r" ]
      within(".note-new") { fill_in "Your note", with: "New name?" }
      click_on "Put it here"
      assert_selector ".note-open .note-state", text: "on the draft"
      assert_selector ".ProseMirror .noted", text: "the Auk"
      assert_accessible
      find(".ProseMirror p", text: "Close the gangway").click
      page.active_element.send_keys :home, "Now: "
      assert_selector ".ProseMirror .noted", exact_text: "the Auk."
    end
    as(@ben) do
      visit page_path(@page)
      assert_no_selector ".note"
    end
  end

  test "without the line nothing typed is lost" do
    as(@ben) do
      visit page_path(@page)
      mark "lie in the box"
      click_on "Note", exact: true
      within(".note-new") { fill_in "Your note", with: "A long thought" }
      expect_problem "Failed to load resource"
      page.execute_script("window.fetch = () => Promise.reject(new Error())")
      click_on "Put it here"
      assert_selector ".notes-said", text: "What you wrote is still here."
      visit page_path(@page)
      mark "lie in the box"
      click_on "Note", exact: true
      assert_field "Your note", with: "A long thought"
    end
  end

  private

  def remark
    Remark.firsts.last
  end

  def press(key)
    find("body").send_keys key
  end

  # Chooses words of the text as a mouse does.
  def mark(words)
    assert_selector ".text", text: words.split.first
    page.execute_script(<<~JS, words)
      const walker = document.createTreeWalker(document.querySelector(".text"), NodeFilter.SHOW_TEXT)
      while (walker.nextNode()) {
        const at = walker.currentNode.data.indexOf(arguments[0])
        if (at < 0) continue
        getSelection().setBaseAndExtent(walker.currentNode, at, walker.currentNode, at + arguments[0].length)
        break
      }
    JS
  end

  def assert_at_its_text(words)
    tops = evaluate_script("[...document.querySelectorAll('.noted, .note')].map((each) => each.getBoundingClientRect().top)")
    assert_in_delta tops.first, tops.last, 120, "#{words} and its note"
  end

  def assert_no_overlap
    boxes = evaluate_script("[...document.querySelectorAll('.note')].map((each) => each.getBoundingClientRect()).map(({ top, bottom }) => [top, bottom])").sort
    boxes.each_cons(2) { |(_top, bottom), (top, _bottom)| assert_operator bottom, :<=, top }
  end

  def on_a_phone
    size = page.current_window.size
    page.current_window.resize_to(390, 844)
    yield
  ensure
    page.current_window.resize_to(*size)
  end
end
