require "application_system_test_case"

# Blocks: chosen by their edge or by key, moved, copied, centred; headings with all that stands under them.
class EdgesTest < ApplicationSystemTestCase
  include Writing

  setup do
    @ida = person("Ida Karlow")
    @room = new_room("On Board", keeper: @ida, open: true)
    @page = new_page("Gangway in ice", above: @room, by: @ida, markdown: "Lead.\n\n# Salt {#saltsalt}\n\nOn steps.\n\n## How much\n\nA sack.\n\n# Grit\n\nOn the tread.")
    @other = new_page("Signals ashore", above: @room, by: @ida, markdown: "See [salt](page:#{@page.public_id}#saltsalt).")
    sign_in_as @ida
    visit "/p/#{@page.to_param}/draft/edit"
    editor
  end

  test "a heading is dragged with all under it, and links to it hold" do
    choose_block "h2", "Salt"
    assert_selector ".chosen-along", count: 3
    assert_accessible
    drag_edge_to find(".ProseMirror p", text: "On the tread.")
    assert_equal [ "Lead.", "Grit", "On the tread.", "Salt", "On steps.", "How much", "A sack." ], blocks
    editor.send_keys [ :control, "z" ]
    assert_equal "Salt", blocks[1]
    choose_block "h2", "Salt"
    uncheck "With all under it"
    within(".bench-context") { click_on "Down" }
    assert_equal [ "Lead.", "On steps.", "Salt" ], blocks.first(3)
    publish
    assert_selector "h2#b-saltsalt", text: "Salt"
    visit "/p/#{@other.to_param}"
    within(".text") { click_on "salt" }
    assert_selector "h2#b-saltsalt"
    assert_no_text "The part that the link led to is gone"
  end

  test "by key a section moves past the next, and in the outline too" do
    find(".ProseMirror p", text: "A sack.").click
    editor.send_keys [ :alt, :shift, :up ]
    assert_equal [ "Lead.", "How much", "A sack.", "Salt", "On steps.", "Grit" ], blocks.first(6)
    within("[data-outline]") { click_on "Grit" }
    assert_selector ".ProseMirror:focus"
    find("[data-outline] button", text: "Grit").send_keys [ :alt, :up ]
    assert_equal [ "How much", "A sack.", "Grit", "On the tread.", "Salt" ], blocks[1, 5]
    assert_selector "[data-outline] button:focus", text: "Grit"
    from, to = [ "Salt", "How much" ].map { |text| find("[data-outline] button", text: text).native }
    page.driver.browser.action.click_and_hold(from).move_to(to, 0, -8).move_to(to, 0, -9).release.perform
    assert_equal [ "Lead.", "Salt", "On steps.", "How much" ], blocks.first(4)
    assert_accessible
    saved
    assert_equal "saltsalt", Zuhause::Document::Walk.blocks(draft).find { |node| Zuhause::Document::Text.of(node) == "Salt" }.dig("attrs", "id")
  end

  test "Escape chooses the block, then what it is in; typing goes on where the caret was" do
    find(".ProseMirror p", text: "On steps.").click
    page.execute_script "document.querySelector('.ProseMirror').editor.commands.command(({ tr, state }) => { state.doc.descendants((node, pos) => { if (node.text === 'On steps.') tr.setSelection(state.selection.constructor.near(state.doc.resolve(pos + 2))) }); return true })"
    page.active_element.send_keys :escape
    assert_selector ".bench-context", text: "Take out"
    page.active_element.send_keys "ly"
    assert_selector ".ProseMirror p", text: "Only steps."
    assert_no_selector ".bench-context"
    page.active_element.send_keys :escape, :enter, "x", :escape, :delete
    assert_no_selector ".ProseMirror p", text: "steps"
    editor.send_keys [ :control, "z" ]
    assert_selector ".ProseMirror p", text: "steps"
  end

  test "what is chosen is copied, centred, made a passage and taken out" do
    choose_block "p", "Lead."
    within(".bench-context") { click_on "Copy" }
    assert_equal [ "Lead.", "Lead.", "Salt" ], blocks.first(3)
    within(".bench-context") { click_on "Centre" }
    assert_selector ".ProseMirror p.align-center", count: 1
    within(".bench-context") { click_on "Passage" }
    page.active_element.send_keys "By the rail"
    choose_block "h3", "How much"
    within(".bench-context") { click_on "Take out" }
    assert_no_text "A sack."
    find("h2", text: "Grit").click
    click_on "Centre"
    publish
    assert_selector ".passage p.align-center", text: "Lead."
    assert_selector "h2.align-center", text: "Grit"
    assert_equal 1, draft["content"].count { |node| Zuhause::Document::Text.of(node) == "Lead." && node["type"] == "paragraph" }
    assert_equal draft["content"].map { |node| node.dig("attrs", "id") }.uniq.size, draft["content"].size
  end

  test "at the width of a phone a block is chosen and moved too" do
    page.driver.browser.execute_cdp("Emulation.setDeviceMetricsOverride", width: 390, height: 780, deviceScaleFactor: 1, mobile: false)
    find(".ProseMirror p", text: "Lead.").click
    edge = find(".edge").native
    page.driver.browser.action.move_to(edge).click.perform
    assert_selector "[data-for=block]"
    within(".bench-context") { click_on "Down" }
    assert_equal [ "Salt", "Lead." ], blocks.first(2)
    assert_accessible
  ensure
    page.driver.browser.execute_cdp("Emulation.clearDeviceMetricsOverride")
  end

  private

  def blocks
    all(".ProseMirror > *").map(&:text)
  end

  # To the lower half of a block.
  def drag_edge_to(target)
    page.driver.browser.action.click_and_hold(find(".edge").native).move_to(target.native, 0, 8).perform
    assert_selector ".place-line"
    page.driver.browser.action.move_to(target.native, 0, 10).release.perform
    assert_no_selector ".place-line"
  end
end
