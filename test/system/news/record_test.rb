require "application_system_test_case"

# What was done in the house, read by who looks after it.
class RecordSystemTest < ApplicationSystemTestCase
  test "an administrator finds who gave what, and a room in another language" do
    ana, ben, eve = person("Ana Berg"), person("Ben Holt"), person("Eve Lund", office: "administrator")
    room = new_room("Lifts", keeper: ana, open: true)
    page = new_page("Gangway", above: room, by: ana)
    room.record_access(:given, by: ana, exposure: nil, holder: holder(ben), level: :write) { room.grant(holder(ben), :write) }
    sign_in_as eve
    find("summary .me").click
    click_on "Record"
    select "who may see and edit", from: "About"
    click_on "Show"
    assert_selector ".record li", count: 1, text: "Ana Berg gave Ben Holt “may write” on the room “Lifts”."
    assert_accessible
    select "pages", from: "About"
    select "Ana Berg", from: "By whom"
    click_on "Show"
    click_on "Ana Berg published “Gangway”, edition 1."
    assert_selector "h1", text: page.title
  end

  test "a room is given a name in another language, which those who chose it meet" do
    ana, ben = person("Ana Berg"), person("Ben Holt", language: "en-US")
    room = new_room("Lifts", keeper: ana, open: true)
    sign_in_as ana
    visit "/rooms/#{room.public_id}/edit"
    find("summary", text: "In other languages").click
    fill_in "Name in: English, month first", with: "Elevators"
    assert_accessible
    click_on "Save"
    assert_selector "h1", text: "Lifts"
    sign_in_as ben
    assert_selector ".room-door", text: "Elevators"
  end
end
