require "application_system_test_case"

# A house that nobody has written in yet, and rooms that are there for everybody.
class FirstStepsTest < ApplicationSystemTestCase
  test "an empty house leads its owner to a room, a page and a second person, who then comes in" do
    set_up
    assert_selector ".first-steps li", count: 3
    assert_accessible
    press_new_page_key
    assert_selector "h1", text: "Where is the page to stand?"
    assert_accessible
    within("main") { click_on "Make the first room" }
    fill_in "Name", with: "On Board"
    choose "Everyone here", allow_label_click: true
    click_on "Open the room"
    assert_selector "h1", text: "On Board"
    visit "/"
    within(".first-steps") { click_on "Write the first page" }
    fill_in "Title", with: "Welcome aboard"
    click_on "Start writing"
    assert_selector "[data-ready=true]"
    visit "/"
    within(".first-steps") { click_on "Invite somebody" }
    add_person
    visit "/"
    assert_no_selector ".first-steps"
    come_in_by_mail
  end

  test "a page begun without a place stands in one's own room, and is moved to where others find it" do
    ida, ben = person("Ida Karlow", office: "owner"), person("Ben Holt")
    on_board = new_room("On Board", keeper: ida)
    on_board.grant(holder(ben), :write)
    sign_in_as ben
    assert_text "Only you get in."
    press_new_page_key
    assert_select "Place", selected: "Ben Holt’s own room · Only I"
    fill_in "Title", with: "Half a thought"
    click_on "Start writing"
    assert_selector "[data-ready=true]"
    assert_equal Room.own_of(ben), Page.last.room
    visit "/p/#{Page.last.to_param}/placement/edit"
    select "On Board", from: "New place"
    click_on "Move"
    find("main .button-main").click
    assert_selector ".path", text: "On Board"
  end

  test "the practice room is switched on, says what it is for, and is announced to nobody" do
    ida = person("Ida Karlow", office: "owner")
    new_room("On Board", keeper: ida)
    sign_in_as ida
    visit "/house/edit"
    check "There is a practice room", allow_label_click: true
    click_on "Save"
    assert_checked_field "There is a practice room"
    page = new_page("First try", above: Room.practice_room, by: ida)
    visit "/p/#{page.to_param}"
    assert_text "everything in it is erased each night"
    assert_accessible
    visit "/"
    assert_selector ".doors", text: "Practice room"
    within("main") { assert_no_text "First try" }
  end

  private

  def set_up
    visit "/set-up/new"
    fill_in "Name of the house", with: "Ternholm Ferries"
    fill_in "Name", with: "Ida Karlow", exact: true
    fill_in "Mail address", with: "ida.karlow@ternholm.example"
    fill_in "Password", with: HouseBuilding::PASSWORD
    within("main") { find("button").click }
    assert_selector "h1", text: "Ternholm Ferries"
  end

  def press_new_page_key
    find("body").send_keys "n"
    assert_no_selector ".doors"
  end

  def add_person
    House.current.update!(demo: true) # whose simulated mailbox shows what a mail says
    fill_in "Mail addresses", with: "Ben Holt <ben.holt@ternholm.example>"
    choose "Member"
    click_on "Look at it first"
    click_on "Invite", exact: true
    assert_selector ".row-title", text: "Ben Holt"
  end

  def come_in_by_mail
    sign_out
    within(".demo-mailboxes") { click_on "ben.holt@ternholm.example" }
    visit URI(find(".mail a")[:href]).request_uri
    fill_in "Password", with: "a-lantern-at-sea"
    click_on "Come in"
    assert_selector ".me[aria-label='You: Ben Holt']"
    assert_selector ".doors", text: "On Board"
    assert_selector ".doors", text: "Ben Holt’s own room"
    assert_accessible
  end
end
