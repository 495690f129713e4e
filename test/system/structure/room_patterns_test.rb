require "application_system_test_case"

class RoomPatternsSystemTest < ApplicationSystemTestCase
  test "an administrator keeps a pattern, and makes a room from it that the team finds" do
    eve, ben = person("Eve Alm", office: "administrator"), person("Ben Holt")
    group("Deck", ben)
    sign_in_as eve
    visit room_patterns_path
    click_on "New pattern"
    assert_field "Name", with: "Department"
    click_on "Another page"
    page.driver.browser.switch_to.active_element.send_keys("Rotas")
    all("button[aria-label='Move up']").last.click
    assert_accessible
    click_on "Keep the pattern"
    assert_text "The pattern is kept"
    assert_equal [ "What we do", "Whom to ask", "Rotas", "Only for {team}" ], RoomPattern.first.parts.map(&:title)

    click_on "Make a room"
    fill_in "Name", with: "Deckhands"
    select "Deck (1 person)", from: "The team"
    assert_accessible
    click_on "Open the room"
    assert_text "set up for Deck"
    assert_link "Only for Deck"

    sign_in_as ben
    visit room_path(Room.find_by!(name: "Deckhands"))
    click_on "Only for Deck", match: :first
    assert_text "Only for Deck"
  end
end
