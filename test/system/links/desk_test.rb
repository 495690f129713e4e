require "application_system_test_case"

# The writer's week: promised pages written, links mended, pages joined and split, with the mouse and by keys.
class DeskSystemTest < ApplicationSystemTestCase
  include Writing

  setup do
    @ida = person("Ida Karlow")
    @room = new_room("On Board", keeper: @ida)
    @hold = new_page("Three-point hold", above: @room, by: @ida, markdown: "Hold on.\n\n# One hand\n\nFor the ship.")
    @hand = @hold.edition.document["content"][1]["attrs"]["id"]
    @page = new_page("Gangway", above: @room, by: @ida, markdown: "See the [box list](<promise:Box list>), [the hold](page:#{@hold.public_id}) and [one hand](page:#{@hold.public_id}##{@hand}).")
    sign_in_as @ida
  end

  test "a promised page is found at the desk and written, and its links lead there" do
    visit "/desk"
    assert_accessible
    click_on "1 page is promised and not written"
    click_on "Box list"
    assert_text "See the box list, the hold and one hand."
    assert_accessible
    click_on "Write this page"
    assert_field "page[title]", with: "Box list"
    click_on "Start writing"
    assert_selector "[data-ready]"
    visit "/p/#{@page.to_param}"
    click_on "box list"
    assert_current_path %r{/p/box-list-}
  end

  test "what leads somewhere is pointed elsewhere, which can be undone" do
    new_page("Grip", above: @room, by: @ida)
    visit "/p/#{@hold.to_param}"
    within("#linked-from") { click_on "See where" }
    assert_selector ".from-room", text: "See the box list, the hold and one hand."
    assert_accessible
    click_on "Point these elsewhere"
    assert_text "1 page that you may write is published at once"
    assert_accessible
    fill_in "Where they are to lead", with: "Grip"
    click_on "Point them there"
    assert_text "1 page has been published at once, as a small change."
    assert_equal "Grip", Page.find_by!(public_id: Zuhause::Links.in(@page.reload.edition.document)[1].target.value).title
    click_on "Undo it"
    assert_text "1 page has been published at once, as a small change."
    assert_equal [ @hold.public_id ], Zuhause::Links.in(@page.reload.edition.document).map { |point| point.target.value }.uniq - [ "Box list" ]
  end

  test "pages are joined, and what led to one leads to the other" do
    visit "/p/#{@hold.to_param}"
    find(".menu-page summary").click
    click_on "Join to another page"
    fill_in "Which page it is to come into", with: "Gangway"
    click_on "Look at both"
    assert_selector ".joining-sides .text", count: 2
    assert_accessible
    click_on "Join them"
    assert_text "“Three-point hold” is part of this page now."
    assert_selector ".text", text: "For the ship."
    visit "/p/#{@hold.to_param}"
    assert_selector "h1", text: "Gangway"
  end

  test "a part becomes a page, and its old address leads there" do
    visit "/p/#{@hold.to_param}"
    find(".menu-page summary").click
    click_on "Make a part a page"
    assert_text "1 page leads here"
    assert_accessible
    click_on "Make it a page"
    assert_selector "h1", text: "One hand"
    visit "/p/#{@hold.to_param}#b-#{@hand}"
    assert_selector "h1", text: "One hand"
  end

  test "links that lead nowhere are worked through, one decision after another" do
    @hold.put_in_bin(by: @ida)
    @hold.reload.erase(by: @ida)
    grip = new_page("The hold, for hands", above: @room, by: @ida)
    lost = new_page("Lost", above: @room, by: @ida)
    new_page("Points", above: @room, by: @ida, markdown: "[x](page:#{lost.public_id})")
    lost.put_in_bin(by: @ida)
    lost.reload.erase(by: @ida)
    visit "/desk/broken"
    assert_selector ".broken > li", count: 2
    assert_accessible
    first("button", text: "Lead to “The hold, for hands”").send_keys :enter
    assert_text "Done, on 1 page."
    assert_selector ".broken > li", count: 1
    click_on "Make it plain text"
    assert_text "All links in what you see lead somewhere."
    assert_equal [ "Box list", grip.public_id, grip.public_id ], Zuhause::Links.in(@page.reload.edition.document).map { |point| point.target.value }
    click_on "Undo"
    assert_selector ".broken > li", count: 1
  end

  test "while writing one is told what leads to a part, and what would be lost" do
    visit "/p/#{@hold.to_param}/draft/edit"
    editor.send_keys [ :control, :home ], :arrow_down
    assert_selector "[data-led-told]", text: "1 page leads here"
    assert_accessible
    save_text(@hold.reload, "Hold on.", by: @ida)
    visit "/p/#{@hold.to_param}/draft/edit"
    click_on "Publish"
    within("[data-publish-panel]") { assert_text "“One hand” is gone from it; 1 page leads to that part" }
  end
end
