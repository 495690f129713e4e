require "application_system_test_case"

# From the first page to the last edition, as people would do it.
class StoryTest < ApplicationSystemTestCase
  test "a writer makes a room and two pages, a colleague reads them, a stranger finds nothing" do
    writer = person("Ida Karlow")
    colleague = person("Nils Abert")
    stranger = person("Gerd Moll", role: "guest")
    group("Deck", colleague)

    sign_in_by_form writer
    assert_accessible
    open_a_room
    write_the_first_page
    follow_the_promise
    @first_address = address_of("Gangway in ice")
    give_the_room_to_deck
    sign_out

    sign_in_by_form colleague
    find_and_read
    sign_out

    sign_in_as stranger
    meet_nothing
    sign_out

    sign_in_by_form writer
    change_and_publish_again
    put_the_first_edition_back
  end

  private

  def open_a_room
    within(".plan") { click_on "New room" }
    assert_accessible
    fill_in "Name", with: "On Board"
    choose "Petrol", allow_label_click: true
    click_on "Open the room"
    assert_text "The room is open"
    assert_accessible
  end

  def write_the_first_page
    click_on "Write the first page"
    assert_accessible
    fill_in "Title", with: "Gangway in ice"
    click_on "Start writing"
    editor.send_keys "Below zero the gangway is treated with grit. Keep the ->Sand box list"
    assert_accessible
    find("[role=option]", text: "Promise a page named “Sand box list”").click
    editor.send_keys " at hand."
    assert_selector ".writing .link-promise", text: "Sand box list"
    assert_saved
    assert_accessible
    publish "First words"
    assert_selector "h1", text: "Gangway in ice"
    assert_accessible
  end

  def follow_the_promise
    within(".text") { click_on "Sand box list" }
    assert_selector "h1", text: "“Sand box list” is not written yet"
    assert_accessible
    click_on "Write this page"
    editor.send_keys "Every stage has a box of grit beside the second bollard."
    publish "Where the boxes stand"
    assert_selector ".from", text: "Gangway in ice"
    within(".from") { click_on "Gangway in ice" }
    assert_no_selector ".link-promise"
    assert_selector ".text a", text: "Sand box list"
  end

  def give_the_room_to_deck
    click_on "On Board", match: :first
    click_on "Who can get in"
    within("dialog") do
      assert_accessible
      check "Deck", allow_label_click: true
      select "may read", from: "Level"
      click_on "See what this opens"
    end
    assert_text "This opens 2 pages to 1 person (Nils Abert) who could not get in before."
    assert_accessible
    click_on "Give it"
    assert_text "Access has been changed."
    assert_selector ".who li", text: "Nils Abert"
    assert_accessible
  end

  def find_and_read
    fill_in "find", with: "grit bollard\n"
    assert_selector ".found mark", text: "grit"
    assert_accessible
    within(".found") { click_on "Sand box list" }
    assert_selector "h1", text: "Sand box list"
    assert_no_link "Edit", exact: true
    within(".from") { click_on "Gangway in ice" }
    within(".text") { click_on "Sand box list" }
    assert_selector ".from a", text: "Gangway in ice"
  end

  def meet_nothing
    assert_no_text "On Board"
    fill_in "find", with: "grit\n"
    assert_text "Nothing that you can read"
    expect_problem "404"
    [ @first_address, "#{@first_address}/editions", "#{@first_address}/draft/edit", "#{@first_address}/access" ].each do |path|
      visit path
      assert_selector "h1", text: "Nothing here"
      assert_no_text "Gangway"
    end
    assert_accessible
  end

  def change_and_publish_again
    visit @first_address
    click_on "Edit", exact: true
    editor.send_keys [ :control, :end ], :enter, "Close it when the rope is stiff."
    assert_saved
    publish "When to close it"
    assert_selector ".fact", text: "Edition 2"
  end

  def put_the_first_edition_back
    click_on "Edition 2"
    assert_selector ".editions li", count: 2
    assert_accessible
    click_on "Edition 1", exact: true
    assert_no_text "Close it when the rope is stiff."
    assert_accessible
    click_on "Put this edition back"
    assert_text "Edition 1 is back, as edition 3."
    assert_no_text "Close it when the rope is stiff."
  end

  def publish(note)
    click_on "Publish", exact: true
    fill_in "note", with: note
    within("[data-publish-panel]") { click_on "Publish" }
    assert_selector ".said", text: "is published."
  end

  def editor
    find("[data-ready=true] .ProseMirror")
  end

  def assert_saved
    assert_selector "[data-state=saved]"
  end

  def address_of(title)
    Page.find_by!(title: title).then { |page| "/p/#{page.to_param}" }
  end
end
