require "application_system_test_case"

# What comes into the text from elsewhere: pasted, and dropped where the pointer shows.
class PastingTest < ApplicationSystemTestCase
  include Writing

  setup do
    @ida = person("Ida Karlow")
    @room = new_room("On Board", keeper: @ida, open: true)
    @page = new_page("Gangway in ice", above: @room, by: @ida, markdown: "First words.\n\n| Stage | Grit |\n| --- | --- |\n| Vikness | 2 |\n\nLast words.")
    @other = new_page("Signals ashore", above: @room, by: @ida)
    sign_in_as @ida
    visit "/p/#{@page.to_param}/draft/edit"
    editor
  end

  test "rows of a spreadsheet fill cells and the table grows; text goes into the cell" do
    find(".ProseMirror td", text: "2").click
    paste text: "3\tnew\n4\told", html: "<table><tr><td>3</td><td>new</td></tr><tr><td>4</td><td>old</td></tr></table>"
    assert_selector ".ProseMirror tr", count: 3
    assert_equal [ [ "Stage", "Grit", "" ], %w[Vikness 3 new], [ "", "4", "old" ] ], rows
    find(".ProseMirror td", text: "old").click
    page.active_element.send_keys [ :control, :end ]
    put_caret_in "Vikness"
    paste text: "# Not a heading here\n\n- point"
    assert_selector ".ProseMirror table li", text: "point"
    saved
    assert_equal %w[paragraph table paragraph], draft["content"].map { |node| node["type"] }
  end

  test "cells are copied and pasted within the table" do
    page.execute_script "window.copied = new DataTransfer()"
    select_cells 2, 3
    copy
    put_caret_in "Stage"
    paste_copied
    assert_equal [ %w[Vikness 2], %w[Vikness 2] ], rows
    saved
    assert_equal 2, block("table")["content"].size
  end

  test "an address over chosen words makes them a link, a page's address alone becomes one with its title" do
    select_words "First"
    paste text: "https://forecast.example/ice"
    assert_selector ".ProseMirror a.link-away", exact_text: "First"
    select_words "Last"
    paste text: "#{page.server_url}/p/#{@other.to_param}"
    assert_selector ".ProseMirror a.link-page", exact_text: "Last"
    editor.send_keys [ :control, :end ], " "
    paste text: "#{page.server_url}/p/#{@other.to_param}"
    assert_selector ".ProseMirror a.link-page", exact_text: "Signals ashore"
    saved
    assert_equal "First words.", Zuhause::Document::Text.of(draft["content"].first)
  end

  test "lists of office programs keep their nesting" do
    editor.send_keys [ :control, :end ], :enter
    paste text: "Clear\nshovel", html: "<p style='mso-list:l0 level1 lfo1'><span style='mso-list:Ignore'>·</span>Clear</p><p style='mso-list:l0 level2 lfo1'><span style='mso-list:Ignore'>o</span>shovel</p>"
    assert_selector ".ProseMirror li li", exact_text: "shovel"
    assert_selector ".ProseMirror li", text: "Clear"
  end

  test "text is dropped where the pointer is, and takes no other's place" do
    select_words "Last"
    drop_on ".ProseMirror > p", text: "New: "
    assert_selector ".ProseMirror > p", text: /\ANew: First words\.|First words\.New:/
    saved
    assert_includes Zuhause::Document::Text.of(draft), "Last words."
  end

  test "files are dropped between blocks, where a line shows" do
    drop_on ".ProseMirror > p", file: "stages.ics"
    assert_selector ".ProseMirror .embed", text: "stages.ics"
    saved
    assert_equal %w[embed paragraph table paragraph], draft["content"].map { |node| node["type"] }
    assert_no_selector ".place-line"
    assert_accessible
  end

  test "a text that is dropped comes in as text, and can be taken out again or kept as a file" do
    drop_on ".ProseMirror > p", file: "stages.md", holding: "# Sacks\n\nOf <b>sand</b> for the <mate>.\n\nVikness: two sacks"
    assert_selector "[data-told]", text: "“stages.md” has come in as text. Not taken along: HTML is kept as code"
    assert_selector ".ProseMirror > h2", text: "Sacks"
    assert_accessible
    saved
    assert_equal %w[heading paragraph paragraph paragraph table paragraph], draft["content"].map { |node| node["type"] }
    editor.send_keys [ :control, :end ], " More."
    click_on "Take it out again"
    assert_no_selector ".ProseMirror > h2", text: "Sacks"
    saved
    assert_equal %w[paragraph table paragraph], draft["content"].map { |node| node["type"] }
    assert_includes Zuhause::Document::Text.of(draft), "More."
    drop_on ".tableWrapper td", file: "stages.md", holding: "# Sacks\n\nTwo"
    assert_selector ".ProseMirror > h2", text: "Sacks"
    click_on "Keep it as a file instead"
    assert_selector ".ProseMirror .embed", text: "stages.md"
    assert_no_selector ".ProseMirror h2", text: "Sacks"
    saved
  end

  test "a block that is chosen is written over neither by typing nor by pasting" do
    choose_block "p", "First words."
    page.active_element.send_keys " More"
    assert_selector ".ProseMirror > p", text: /First words\. More|More/
    choose_block ".tableWrapper td", "Vikness"
    assert_no_selector "select[data-turn]"
    paste text: "Behind."
    assert_selector ".ProseMirror > p", text: "Behind."
    saved
    assert_includes Zuhause::Document::Text.of(draft), "First words."
    assert_includes Zuhause::Document::Text.of(draft), "Vikness"
    assert_includes Zuhause::Document::Text.of(draft), "Behind."
  end

  test "a picture's caption takes a line, and Enter leads out of it" do
    editor.send_keys [ :control, :end ], :enter
    paste_files({ path: "docs/screenshots/read.png", name: "gangway.png", type: "image/png" })
    find(".ProseMirror figcaption").click
    paste text: "One.\n\nTwo."
    assert_selector ".ProseMirror figcaption", exact_text: "One. Two."
    page.active_element.send_keys :enter, "After."
    saved
    assert_equal %w[paragraph table paragraph figure paragraph], draft["content"].map { |node| node["type"] }
    page.active_element.send_keys [ :control, :enter ]
    assert_selector ".publish-words", text: "1 picture says nothing to those who do not see it: One. Two."
  end

  private

  def rows
    all(".ProseMirror tr").map { |row| row.all("th, td").map(&:text) }
  end

  def paste(text:, html: nil)
    page.execute_script(<<~JS, text, html)
      const data = new DataTransfer()
      data.setData("text/plain", arguments[0])
      if (arguments[1]) data.setData("text/html", arguments[1])
      document.querySelector(".ProseMirror").dispatchEvent(new ClipboardEvent("paste", { clipboardData: data, bubbles: true, cancelable: true }))
    JS
  end

  def copy
    page.execute_script "document.querySelector('.ProseMirror').dispatchEvent(new ClipboardEvent('copy', { clipboardData: window.copied, bubbles: true, cancelable: true }))"
    assert_equal "Vikness\t2", page.evaluate_script("window.copied.getData('text/plain')")
  end

  def paste_copied
    page.execute_script "document.querySelector('.ProseMirror').dispatchEvent(new ClipboardEvent('paste', { clipboardData: window.copied, bubbles: true, cancelable: true }))"
  end

  def put_caret_in(words)
    page.execute_script(<<~JS, words)
      const { editor } = document.querySelector(".ProseMirror")
      editor.state.doc.descendants((node, pos) => { if (node.isText && node.text === arguments[0]) editor.chain().focus().setTextSelection(pos + node.nodeSize).run() })
    JS
  end

  # By mouse, from one cell to another.
  def select_cells(from, to)
    cells = all(".ProseMirror th, .ProseMirror td").to_a
    page.driver.browser.action.move_to(cells[from].native).click_and_hold.move_to(cells[to].native).release.perform
    assert_selector ".ProseMirror .selectedCell", count: 2
  end

  def select_words(words)
    page.execute_script(<<~JS, words)
      const { editor } = document.querySelector(".ProseMirror")
      editor.state.doc.descendants((node, pos) => {
        const at = node.isText ? node.text.indexOf(arguments[0]) : -1
        if (at >= 0) editor.chain().focus().setTextSelection({ from: pos + at, to: pos + at + arguments[0].length }).run()
      })
    JS
  end

  # On the upper left of an element, as the browser gives what comes from another program.
  def drop_on(selector, text: nil, file: nil, holding: "Vikness: two sacks")
    shown = page.evaluate_script(<<~JS, selector, text, file, holding)
      ((selector, text, file, holding) => {
        const target = document.querySelector(selector)
        const box = target.getBoundingClientRect()
        const dataTransfer = new DataTransfer()
        if (text) dataTransfer.setData("text/plain", text)
        if (file) dataTransfer.items.add(new File([holding], file, { type: "text/plain" }))
        const at = { dataTransfer, bubbles: true, cancelable: true, clientX: box.left + 2, clientY: box.top + 4 }
        target.dispatchEvent(new DragEvent("dragover", at))
        const line = document.querySelector(".place-line:not([hidden]), .drop-line") !== null
        target.dispatchEvent(new DragEvent("drop", at))
        return line
      })(...arguments)
    JS
    assert shown, "no line where it would come down"
  end
end
