require "application_system_test_case"

class StructureTest < ApplicationSystemTestCase
  setup do
    @ida = person("Ida Karlow", office: "owner")
    @room = new_room("On Board", keeper: @ida)
    @pages = %w[Drills Mooring Bunkering].map { |title| new_page(title, above: @room, by: @ida) }
    sign_in_as @ida
  end

  test "several pages of a list are tagged, pinned, moved and put in the bin, and that is undone" do
    within(".plan") { click_on "All pages" }
    assert_accessible
    assert_button "Tag", disabled: true
    choose "Drills", "Mooring"
    click_on "Tag"
    fill_in "Tags", with: "safety, deck"
    assert_accessible
    within("main") { click_on "Tag" }
    assert_text "2 pages are tagged."
    click_on "safety", match: :first
    assert_selector "h1", text: "Tagged safety"
    assert_selector "tbody tr", count: 2
    assert_accessible

    choose "Drills"
    click_on "Pin"
    assert_text "The page is pinned."
    assert_selector ".plan-short a", text: "Drills"

    choose "Mooring"
    click_on "Move"
    select "\u2003Drills", from: "New place"
    assert_accessible
    within("main") { click_on "Move" }
    assert_text "The page has been moved."
    assert_equal @pages.first, @pages.second.reload.parent

    visit "/pages"
    choose "Drills", "Mooring"
    click_on "Put in the bin"
    assert_accessible
    click_on "Put in the bin"
    assert_text "The page is in the bin."
    assert_no_selector "tbody a", text: "Drills"
    click_on "Undo"
    assert_text "The page is back."
    assert_selector "tbody a", text: "Mooring"
  end

  test "tags are completed while typing, renamed and merged" do
    @pages.first.tag_with([ "winter" ])
    @pages.second.tag_with([ "frost" ])
    visit "/p/#{@pages.last.to_param}"
    more "Tags"
    fill_in "Tags", with: "ice, wi"
    assert_equal [ "ice, winter" ], page.evaluate_script("[...document.querySelector('#tag-names').options].map((o) => o.value)")
    fill_in "Tags", with: "ice, winter"
    click_on "Save"
    assert_selector ".page-tags", text: /ice\s*winter/
    within(".plan") { click_on "Tags" }
    assert_accessible
    click_on "frost"
    click_on "Rename"
    assert_accessible
    fill_in "New name", with: "winter"
    within("main") { click_on "Rename" }
    assert_selector "h1", text: "Tagged winter"
    assert_selector "tbody tr", count: 3
  end

  test "a page is copied with what is below it" do
    new_page("Man overboard", above: @pages.first, by: @ida, markdown: "Back to [drills](page:#{@pages.first.public_id}).")
    visit "/p/#{@pages.first.to_param}"
    more "Copy"
    assert_accessible
    fill_in "Title of the copy", with: "Drills, next year"
    check "Publish the copies at once"
    click_on "Copy"
    assert_selector "h1", text: "Drills, next year"
    within(".plan") { click_on "Man overboard" }
    within(".text") { click_on "drills" }
    assert_selector "h1", text: "Drills, next year"
  end

  test "a room opens on its front page, is archived and reopened" do
    visit "/rooms/#{@room.public_id}"
    more_of_room "Describe the room"
    select "Mooring", from: "Front page"
    assert_accessible
    click_on "Save"
    assert_selector ".front-page", text: "Text of Mooring."
    assert_accessible
    more_of_room "Archive"
    assert_text "The room is archived. It can be read, and not written."
    assert_no_link "New page", href: /above=#{@room.public_id}/
    visit "/p/#{@pages.first.to_param}"
    assert_no_selector "[data-key=w]"
    assert_text "This room is archived."
    assert_accessible
    visit "/rooms/#{@room.public_id}"
    more_of_room "Reopen"
    assert_text "The room is open to writing again."
    visit "/p/#{@pages.first.to_param}"
    assert_selector "[data-key=w]"
  end

  private

  def choose(*titles)
    titles.each { |title| check "Choose #{title}" }
  end

  def more(choice)
    find("summary[title=More]").click
    within(".menu-page") { click_on choice }
  end

  def more_of_room(choice)
    find("main summary", text: "More").click
    click_on choice
  end
end
