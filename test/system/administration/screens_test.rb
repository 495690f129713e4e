require "application_system_test_case"

# Every further screen: usable, and with nothing for axe-core to find.
class ScreensTest < ApplicationSystemTestCase
  test "setting up the house makes its owner, once" do
    visit "/"
    assert_selector "h1", text: "Set up the house"
    assert_accessible
    fill_in "Name of the house", with: "Ternholm Ferries"
    fill_in "Name", with: "Ida Karlow", exact: true
    fill_in "Mail address", with: "ida.karlow@ternholm.example"
    fill_in "Password", with: "short"
    expect_problem "422"
    click_on "Move in"
    assert_selector ".wrong", text: "Needs at least 10 characters"
    assert_accessible
    fill_in "Password", with: HouseBuilding::PASSWORD
    click_on "Move in"
    assert_selector ".first-steps", text: "Make the first room"
    assert_predicate Person.find_by!(name: "Ida Karlow"), :office_owner?
    expect_problem "404"
    visit "/set-up/new"
    assert_no_text "Set up the house"
  end

  test "an administrator looks after people and makes groups" do
    person("Gerd Moll", role: "guest")
    sign_in_as person("Rosa Tamm", office: "administrator")
    open_menu "People"
    assert_accessible
    click_on "Gerd Moll"
    assert_accessible
    click_on "Suspend"
    assert_text "Gerd Moll has been changed."
    click_on "Cancel"
    assert_selector ".tag", text: "suspended"

    open_menu "People"
    click_on "Take over a place"
    assert_selector "h1", text: "Take over"
    assert_accessible
    open_menu "Groups"
    assert_accessible
    click_on "New group"
    assert_accessible
    fill_in "Name", with: "Yard"
    check "Gerd Moll"
    click_on "Make the group"
    assert_selector ".row-facts", text: "Gerd Moll"

    open_menu "House settings"
    assert_accessible
    check "Pages can be opened to anyone"
    click_on "Save"
    assert_text "The house has been changed."
    assert_predicate House.current, :public_addresses?
  end

  test "a profile turns single keys off, and the look to dark" do
    sign_in_as person("Ida Karlow")
    page.send_keys "?"
    assert_selector "dialog#keys[open]"
    assert_accessible
    within("#keys") { click_on "Close" }
    open_menu "Profile"
    assert_accessible
    uncheck "Single keys"
    select "Dark", from: "Light or dark"
    click_on "Save"
    assert_text "Your profile has been changed."
    assert_selector "html[data-theme=dark][data-keys=false]"
    assert_accessible
    find("h1").click
    page.send_keys "?"
    assert_no_selector "dialog#keys[open]"
  end

  test "an address that needs signing in asks for it and comes back" do
    ida = person("Ida Karlow")
    sheet = new_page("Gangway in ice", above: new_room("On Board", keeper: ida), by: ida)
    expect_problem "404"
    visit "/p/#{sheet.to_param}"
    assert_selector "h1", text: "Sign in"
    assert_accessible
    expect_problem "422"
    fill_in "Mail address", with: ida.email
    fill_in "Password", with: "not this one"
    within("main") { click_on "Sign in" }
    assert_text "Mail address and password do not match."
    assert_accessible
    fill_in "Password", with: HouseBuilding::PASSWORD
    within("main") { click_on "Sign in" }
    assert_selector "h1", text: "Gangway in ice"
  end

  test "a page moves to another place with all below it" do
    ida = person("Ida Karlow")
    on_board = new_room("On Board", keeper: ida)
    mooring = new_page("Mooring", above: on_board, by: ida)
    gangway = new_page("Gangway in ice", above: on_board, by: ida)
    new_page("Sand", above: gangway, by: ida)
    sign_in_as ida
    visit "/p/#{gangway.to_param}"
    find("summary[title=More]").click
    assert_accessible
    click_on "Move"
    assert_text "It takes the page below it along."
    assert_accessible
    select "Mooring", from: "New place"
    click_on "Move"
    assert_text "The page has been moved."
    assert_selector ".path", text: "On Board › Mooring"
    assert_equal mooring, gangway.reload.parent
  end

  test "at phone width the plan and the margin are drawers" do
    ida = person("Ida Karlow")
    sheet = new_page("Gangway in ice", above: new_room("On Board", keeper: ida), by: ida, markdown: "# Before the first call\n\nGrit.")
    sign_in_as ida
    narrow
    visit "/p/#{sheet.to_param}"
    assert_no_selector ".plan", visible: true
    assert_operator page.evaluate_script("document.documentElement.scrollWidth"), :<=, 390
    find(".roof-drawer[href='#plan']").click
    within(".plan") { assert_link "Gangway in ice" }
    assert_accessible
    within(".plan") { click_on "Close" }
    find(".roof-drawer[href='#margin']").click
    within(".margin") { click_on "Before the first call" }
    assert_accessible
    visit "/p/#{sheet.to_param}/draft/edit"
    assert_selector "[data-ready=true]"
    assert_accessible
    assert_operator page.evaluate_script("document.documentElement.scrollWidth"), :<=, 390
  end

  test "at phone width a wide table scrolls in a box of its own" do
    ida = person("Ida Karlow")
    markdown = [ Array.new(6) { |i| "Unbreakable-heading-#{i}" }, [ "---" ] * 6, [ "unbreakable-words" ] * 6 ].map { |row| "| #{row.join(" | ")} |" }.join("\n")
    page_with_table = new_page("Stores", above: new_room("On Board", keeper: ida), by: ida, markdown: markdown)
    sign_in_as ida
    narrow
    visit "/p/#{page_with_table.to_param}"
    assert_operator page.evaluate_script("document.querySelector('.text table').scrollWidth"), :>, 390
    assert_operator page.evaluate_script("document.documentElement.scrollWidth"), :<=, 390
    assert_accessible
  end

  test "at phone width the menu of a room opens within the screen" do
    ida = person("Ida Karlow")
    room = new_room("On Board", keeper: ida)
    sign_in_as ida
    narrow
    visit "/rooms/#{room.public_id}"
    within("main") { find("summary", text: "More").click }
    assert_link "All pages"
    left, right = page.evaluate_script("(({ left, right }) => [left, right])(document.querySelector('main .menu-list').getBoundingClientRect())")
    assert_operator left, :>=, 0
    assert_operator right, :<=, 390
    assert_accessible
  end

  private

  def open_menu(entry)
    find("summary .me").click
    within(".menu-list") { click_on entry }
  end

  def narrow
    page.driver.browser.execute_cdp("Emulation.setDeviceMetricsOverride", width: 390, height: 844, deviceScaleFactor: 1, mobile: true)
  end

  teardown { page.driver.browser.execute_cdp("Emulation.clearDeviceMetricsOverride") }
end
