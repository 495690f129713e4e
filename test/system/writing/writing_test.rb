require "application_system_test_case"

class WritingTest < ApplicationSystemTestCase
  setup do
    @ida = person("Ida Karlow")
    @tom = person("Tom Ruud")
    @room = new_room("On Board", keeper: @ida)
    @room.grant(holder(@tom), :write)
    @sheet = new_page("Gangway in ice", above: @room, by: @ida, markdown: "Old words.")
    sign_in_as @ida
  end

  test "what is called saved survives a closed tab" do
    tab = open_new_window
    within_window(tab) do
      write " Spread grit."
      assert_state "saved"
    end
    tab.close
    assert_equal "Old words. Spread grit.", saved_text
    visit draft_path
    assert_selector ".ProseMirror", text: "Old words. Spread grit."
  end

  test "text typed without a connection is kept in the browser and joined with what came meanwhile" do
    expect_problem "ERR_INTERNET_DISCONNECTED"
    tab = open_new_window
    within_window(tab) do
      visit draft_path
      editor
      disconnect
      editor.send_keys " Spread grit."
      assert_state "offline"
    end
    tab.close
    assert_equal "Old words.", saved_text
    save_text(@sheet.reload, "Old words.\n\nTom's words.", by: @tom)
    visit draft_path
    assert_selector "[data-told]", text: "What this browser had kept and the house did not have yet has been joined with the text."
    assert_selector ".ProseMirror", text: "Old words. Spread grit.\nTom's words."
    assert_accessible
    assert_state "saved"
    assert_equal "Old words. Spread grit.\nTom's words.", saved_text
  end

  test "a connection that comes back saves what was typed" do
    expect_problem "ERR_INTERNET_DISCONNECTED"
    visit draft_path
    editor
    disconnect
    editor.send_keys " Spread grit."
    assert_state "offline"
    connect
    assert_state "saved"
    assert_equal "Old words. Spread grit.", saved_text
  end

  test "what a colleague saved meanwhile is joined with one's own, and comes onto the screen" do
    visit draft_path
    editor
    write_as_colleague "Old words.\n\nTom's words."
    editor.send_keys " Mine too."
    assert_selector ".ProseMirror p", count: 2
    assert_selector ".ProseMirror", text: "Old words. Mine too.\nTom's words."
    assert_selector "[data-told]", text: "Tom Ruud saved meanwhile. Both texts have been joined."
    assert_state "saved"
    assert_equal "Old words. Mine too.\nTom's words.", saved_text
    editor.send_keys " And more."
    assert_state "saved"
    assert_equal "Old words. Mine too. And more.\nTom's words.", saved_text
    editor.send_keys [ :control, "z" ]
    assert_selector ".ProseMirror", text: "Tom's words."
  end

  test "where two wrote different words in one place, both stand, marked, until one is chosen" do
    visit draft_path
    editor
    save_text(@sheet.reload, "Old winter words.", by: @tom)
    move_to_first_word
    editor.send_keys "summer "
    assert_selector "ins.double", count: 2
    assert_selector "ins.double[data-by='Tom Ruud']", text: "winter"
    assert_selector "ins.double[data-by='Ida Karlow']", text: "summer"
    assert_state "saved"
    within("[data-settling]") { click_on "Go to the next" }
    assert_selector "[data-settling]", text: "What Tom Ruud wrote"
    assert_accessible
    click_on "Publish"
    within("[data-publish-panel]") do
      assert_text "In 1 place two wrote different words."
      click_on "Different words:"
    end
    within("[data-settling]") { click_on "What Ida Karlow wrote" }
    assert_no_selector "ins.double"
    assert_selector ".ProseMirror", text: "Old summer words."
    editor.send_keys [ :control, "z" ]
    assert_selector "ins.double", count: 2
    within("[data-settling]") { click_on "Go to the next" }
    editor.send_keys [ :alt, "3" ]
    assert_no_selector "ins.double"
    assert_state "saved"
    assert_match(/\AOld (summer winter|winter summer) words\.\z/, saved_text)
  end

  test "taking back what one wrote oneself takes no word of somebody else along" do
    visit draft_path
    editor
    save_text(@sheet.reload, "Old winter words.", by: @tom)
    move_to_first_word
    editor.send_keys "summer "
    assert_selector "ins.double", count: 2
    editor.send_keys [ :control, "z" ]
    assert_selector ".ProseMirror", text: "Old winter words."
    assert_no_selector "ins.double"
    editor.send_keys [ :control, :shift, "z" ]
    assert_selector "ins.double", count: 2
    editor.send_keys [ :control, "z" ]
    assert_no_selector "ins.double"
    assert_state "saved"
    assert_equal "Old winter words.", saved_text
  end

  test "a title that gave way stands above the workbench until one says which is to hold" do
    visit draft_path
    editor
    save_text(@sheet.reload, "Old words.", by: @tom, title: "Tom's title")
    fill_in "title", with: "Ida's title"
    within("[data-disputes]") do
      assert_text "Tom Ruud had named the page “Tom's title”."
      assert_accessible
      click_on "Let that hold"
    end
    assert_no_selector "[data-disputes] li"
    assert_field "title", with: "Tom's title"
    click_on "Show what came together"
    within_window(windows.last) { assert_text "The title was" }
  end

  test "while somebody else writes, the text follows, and the caret stays where it is" do
    PageWriter.note(@sheet, by: @tom)
    visit draft_path
    assert_selector "[data-writers]", text: "Tom Ruud"
    editor.send_keys " Mine."
    assert_state "saved"
    PageWriter.note(@sheet, by: @tom)
    save_text(@sheet.reload, "Before.\n\nOld words. Mine.", by: @tom)
    page.execute_script "document.dispatchEvent(new Event('visibilitychange'))"
    assert_selector ".ProseMirror", text: "Before.\nOld words. Mine."
    assert_selector "[data-words-count]", text: "4 words"
    editor.send_keys " More."
    assert_state "saved"
    assert_equal "Before.\nOld words. Mine. More.", saved_text
    save_text(@sheet.reload, "## Sooner\n\nBefore.\n\n## Later\n\nOld words. Mine. More.", by: @tom)
    page.execute_script "document.dispatchEvent(new Event('visibilitychange'))"
    assert_selector "[data-outline-list] button", text: "Later"
  end

  test "a sign-in that expired loses nothing" do
    expect_problem "401"
    expect_problem "404"
    expect_problem "422"
    visit draft_path
    editor
    page.driver.browser.manage.delete_all_cookies
    editor.send_keys " Spread grit."
    assert_selector "[data-state=signed_out]", text: "You are signed out."
    tab = open_new_window
    within_window(tab) { sign_in_by_form @ida } # what the first tab still asks would set its own cookie behind this one
    tab.close
    page.execute_script "document.dispatchEvent(new Event('visibilitychange'))"
    assert_state "saved"
    assert_equal "Old words. Spread grit.", saved_text
  end

  test "Markdown habits make blocks and marks" do
    visit draft_path
    editor.send_keys [ :control, "a" ], :backspace
    editor.send_keys "# Before the first call", :enter, "- one", :enter, "two", :enter, :enter, "1. first", :enter, :enter,
                     "> said", :enter, :enter, "**strong** and _leaning_ and ~~gone~~ and `code` end", :enter, "```ruby ", "x = 1"
    assert_state "saved"
    assert_equal <<~MARKDOWN, Zuhause::Markup::MarkdownWriter.write(@sheet.reload.draft.document, ids: false)
      # Before the first call

      - one
      - two

      1. first

      > said

      **strong** and _leaning_ and ~~gone~~ and `code` end

      ```ruby
      x = 1
      ```
    MARKDOWN
  end

  test "block ids stay with the text they were given to" do
    first = @sheet.draft.document["content"][0]["attrs"]["id"]
    visit draft_path
    editor
    fill_in "Title", with: "Gangway in ice\n"
    page.active_element.send_keys :enter
    assert_state "saved"
    blocks = @sheet.reload.draft.document["content"]
    assert_equal [ "", "Old words." ], blocks.map { |block| Zuhause::Document::Text.of(block) }
    assert_equal first, blocks[1]["attrs"]["id"]
    assert_equal 2, blocks.map { |block| block["attrs"]["id"] }.uniq.size
  end

  test "pasted text is read as Markdown, and a page's address becomes a link to the page" do
    other = new_page("Signals ashore", above: @room, by: @ida)
    visit draft_path
    editor.send_keys [ :control, :end ], :enter
    paste "A **strong** word\n\n- and a list"
    assert_selector ".ProseMirror strong", text: "strong"
    assert_selector ".ProseMirror li", text: "and a list"
    editor.send_keys [ :control, :end ], :enter, :enter
    paste "#{page.server_url}/p/#{other.to_param}"
    assert_selector ".ProseMirror a.link-page", text: "Signals ashore"
    assert_state "saved"
    assert_equal [ other.public_id ], @sheet.links.where(stage: "draft").pluck(:target_id)
  end

  test "a title that will not do is told beside it, and the last one kept" do
    visit draft_path
    editor
    fill_in "Title", with: ""
    assert_text "A page needs a title."
    fill_in "Title", with: "x" * 201
    assert_text "A title has at most 200 characters."
    fill_in "Title", with: "Gangway in frost"
    assert_no_text "at most 200"
    assert_state "saved"
    assert_equal [ "Gangway in frost", "Gangway in ice" ], [ @sheet.reload.draft.title, @sheet.title ]
  end

  test "a page that others promise by the title that is typed is offered first" do
    new_page("Ice", above: @room, by: @ida, markdown: "See [Gangway](promise:Gangway).")
    visit draft_path
    editor.send_keys [ :control, :end ], " See ->gangway"
    assert_selector "#link-choices[data-for=gangway] [aria-selected=true]", text: "Promise a page named “Gangway”"
    assert_selector "[aria-selected=true] small", text: "1 page wants it"
    assert_selector "#link-choices [role=option]", text: "Gangway in ice"
    editor.send_keys :enter
    assert_selector ".ProseMirror a.link-promise", text: "Gangway"
  end

  test "everything is done from the keyboard" do
    visit draft_path
    editor.send_keys [ :control, :end ], " See ->gang"
    assert_selector "#link-choices[data-for=gang] [aria-selected=true]", text: "Gangway in ice"
    editor.send_keys :arrow_down
    assert_selector "[aria-selected=true]", text: "Promise a page named “gang”"
    assert_accessible
    editor.send_keys :escape
    assert_no_selector "[data-link-panel]"
    assert_selector ".ProseMirror", text: "See ->gang"
    editor.send_keys [ :control, "k" ]
    link_words.send_keys "https://forecast.example/harbour", :enter
    assert_selector ".ProseMirror a.link-away"
    editor.send_keys [ :control, :enter ]
    page.active_element.send_keys "By keyboard", :enter
    assert_text "Edition 2 is published."
    page.active_element.send_keys "h"
    assert_selector "h1", text: "History of Gangway in ice"
    assert_selector ".editions", text: "By keyboard"
  end

  test "the editor knows the node types and marks of the core, no more and no less" do
    visit draft_path
    editor
    nodes, marks = page.evaluate_script(<<~JS)
      (() => {
        const { schema } = document.querySelector(".ProseMirror").editor
        const attrs = (type) => Object.fromEntries(Object.entries(type.spec.attrs ?? {}).map(([name, attr]) => [name, attr.default ?? null]))
        return [
          Object.fromEntries(Object.entries(schema.nodes).map(([name, type]) => [name, [type.spec.content ?? "", type.spec.group ?? null, attrs(type), type.spec.marks !== ""]])),
          Object.fromEntries(Object.entries(schema.marks).map(([name, type]) => [name, [attrs(type), type.excluded.map((other) => other.name)]]))
        ]
      })()
    JS
    schema = Zuhause::Document::Schema
    assert_equal schema::NODES.transform_values { |n| [ n.expression, n.group, n.attrs.transform_values(&:default), n.marks ] }, nodes
    assert_equal schema::MARKS.to_h { |name, m| [ name, [ m.attrs.transform_values(&:default), [ name ] ] ] }, marks
  end

  test "earlier states of the text are looked through and taken back" do
    write " Spread grit."
    assert_state "saved"
    find(".bench-more summary").click
    click_on "Earlier states of this text"
    assert_accessible
    visit "/p/#{@sheet.to_param}/states"
    first(".rows .row-main").click
    assert_selector ".text", text: "Old words."
    assert_accessible
    click_on "Take it back"
    assert_text "The draft is as it was then."
    assert_equal "Old words.", editor.text
  end

  test "a violation of the policy would be seen" do
    visit draft_path
    editor
    page.execute_script "document.head.append(Object.assign(document.createElement('style'), { textContent: 'body { color: red }' }))"
    assert_match(/Content Security Policy/, browser_problems.join)
  end

  private

  def draft_path
    "/p/#{@sheet.to_param}/draft/edit"
  end

  def editor
    find("[data-ready=true] .ProseMirror")
  end

  def link_words
    find_field("Title of a page, or an address")
  end

  def write(words)
    visit draft_path
    editor.send_keys [ :control, :end ], words
  end

  def move_to_first_word
    editor.send_keys [ :control, :home ], *([ :right ] * 4)
  end

  def write_as_colleague(markdown)
    @sheet.reload
    id = @sheet.draft.document["content"][0]["attrs"]["id"]
    document = Zuhause::Document::Ids.strip(Zuhause::Markup::MarkdownReader.read(markdown).doc)
    document["content"][0]["attrs"] = { "id" => id }
    @sheet.save_draft(State.new(title: @sheet.title, document: document), base_version: @sheet.draft.version, by: @tom)
  end

  def paste(text)
    page.execute_script(<<~JS, text)
      const data = new DataTransfer()
      data.setData("text/plain", arguments[0])
      document.querySelector(".ProseMirror").dispatchEvent(new ClipboardEvent("paste", { clipboardData: data, bubbles: true, cancelable: true }))
    JS
  end

  def assert_state(state)
    assert_selector "[data-state=#{state}]"
  end

  def saved_text
    Zuhause::Document::Text.of(@sheet.reload.draft.document)
  end

  def disconnect(offline: true)
    page.driver.browser.execute_cdp("Network.enable")
    page.driver.browser.execute_cdp("Network.emulateNetworkConditions", offline: offline, latency: 0, downloadThroughput: -1, uploadThroughput: -1)
  end

  def connect
    disconnect(offline: false)
  end
end
