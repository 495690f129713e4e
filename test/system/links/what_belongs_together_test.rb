require "application_system_test_case"

# Names without a link, loose pages and the drawn map, by mouse and keys.
class WhatBelongsTogetherTest < ApplicationSystemTestCase
  include ReadsNames

  setup do
    @ana = person("Ana Berg")
    @room = new_room("On Board", keeper: @ana)
    @gangway, @drills = new_page("Gangway", above: @room, by: @ana, markdown: "Grit."), new_page("Drills", above: @room, by: @ana, markdown: "Fire.")
    @watch = new_page("Watch", above: @room, by: @ana, markdown: "Look at the gangway, then at the [drills](page:#{@drills.public_id}).")
    sign_in_as @ana
  end

  test "a name is linked from the desk into the draft, and another name finds more" do
    visit desk_path
    click_on "1 page is named without a link"
    click_on "Gangway", match: :first
    visit page_unlinked_names_path(@gangway)
    assert_selector "mark", text: "gangway"
    assert_accessible
    click_on "Link it here in “Watch”"
    assert_text "It is linked in the draft of 1 page."
    visit edit_page_draft_path(@watch)
    assert_selector ".ProseMirror a", text: "gangway"

    visit edit_page_title_path(@drills)
    fill_in "names", with: "Fire practice"
    click_on "Rename"
    assert_text "Also called: Fire practice"
    assert_accessible
    find("#find").send_keys "practice"
    assert_selector "[role=option]", text: "also “Fire practice”"
  end

  test "a loose page is placed by one key" do
    @room.update!(front_page: @watch)
    visit desk_loose_index_path
    assert_selector ".rows li", count: 1
    assert_accessible
    find("body").send_keys "."
    assert_selector "button.change-here", text: "Link it on “Watch”"
    page.driver.browser.switch_to.active_element.send_keys :enter
    assert_text "A link to “Gangway” stands at the end of the draft of “Watch”."
  end

  test "the map is walked by arrow keys, opened by Enter and by the mouse, and told as a list" do
    visit page_neighbourhood_path(@watch, steps: 2)
    assert_selector ".map-door", count: 2
    assert_selector ".rows li", text: /Drills.*it leads there/m
    assert_accessible
    find(".map-here").send_keys :arrow_right
    assert_equal "Drills, On Board", page.driver.browser.switch_to.active_element["aria-label"]
    assert_selector ".strand-here", visible: :all
    page.driver.browser.switch_to.active_element.send_keys :enter
    assert_selector "h1", text: "Drills"
    visit room_map_path(@room)
    assert_text "1 cluster of pages that hang together by links, 0 bridges to other rooms, 1 island."
    assert_accessible
    find("a.map-door[aria-label^='Watch']").click
    assert_selector "h1", text: "Watch"
  end

  test "names are linked while writing, from the margin, and pages alike are told where one reads" do
    visit edit_page_draft_path(@watch)
    find(".names-here summary", text: "Names without a link").click
    assert_selector ".names-here li", text: "Gangway, On Board"
    assert_accessible
    click_on "Link “gangway”"
    assert_selector ".ProseMirror a", text: "gangway"
    assert_no_selector ".names-here"
    assert_selector "[data-state=saved]"
    visit page_path(@watch)
    find("summary", text: "Pages like this one").click
    assert_selector ".related li", text: "Drills"
    assert_accessible
  end

  test "what may already say it is told while a title is typed" do
    visit new_page_path(above: @room.public_id)
    fill_in "Title", with: "gangway"
    assert_selector ".likely", text: /Gangway.*is called alike/m
    assert_accessible
  end

  test "a passage is begun from the list of passages" do
    visit passages_path
    click_on "New passage"
    fill_in "Name", with: "Grit"
    select "Gangway", from: "above"
    assert_accessible
    click_on "Write it"
    assert_selector ".ProseMirror [data-type='passage'], .ProseMirror .passage"
  end
end
