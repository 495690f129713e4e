require "application_system_test_case"

class FindingTest < ApplicationSystemTestCase
  test "the find field answers while one types, by keyboard, and forgives a slip" do
    ida = person("Ida Karlow")
    room = new_room("On Board", keeper: ida)
    gangway = new_page("Gangway in ice", above: room, by: ida, markdown: "# Between calls\n\nThe tread freezes from spray.")
    new_page("Winter timetable", above: room, by: ida)
    sign_in_as ida
    page.send_keys "f"
    field = find("#find")
    field.send_keys "gagnway"
    assert_selector ".suggestions [role=option]", text: "Gangway in ice"
    assert_accessible
    field.send_keys :escape
    assert_no_selector ".suggestions"
    field.set("")
    field.send_keys "tread"
    assert_selector "#suggestions[data-for=tread] [role=option]", text: "Gangway in ice › Between calls"
    field.send_keys :arrow_down, :enter
    assert_selector "h1", text: "Gangway in ice"
    assert_equal "/p/#{gangway.to_param}", URI(page.current_url).path
    assert_match(/\Ab-[a-z0-9]{8}\z/, URI(page.current_url).fragment)
    find("#find").send_keys "tread", :enter
    assert_selector "h1", text: "Found for “tread”"
  end
end
