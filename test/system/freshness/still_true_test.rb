require "application_system_test_case"

# Whether pages are still true: on the page, at the desk by keyboard, and on a tour of a room.
class StillTrueTest < ApplicationSystemTestCase
  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @room = new_room("On Board", keeper: @ana, open: true)
    @ice, @grit, @salt = %w[Ice Grit Salt].map.with_index { |title, i| new_page(title, above: @room, by: @ana, at: (100 - i).days.ago) }
    CheckRule.of(@room).set(1, by: @ana)
  end

  test "a keeper looks into an overdue page, says that it is still correct, and marks it as out of date" do
    sign_in_as @ana
    visit page_path(@ice)
    assert_selector ".fact-care", text: "Check overdue"
    assert_accessible
    find(".fact-care").click
    within "#panel" do
      assert_text "The check is overdue since"
      assert_selector ".windows[aria-label^='To be looked at']"
      fill_in "A note", with: "Gone through on the Heron."
      click_on "Still correct"
    end
    assert_text "Said to be still correct."
    assert_selector ".fact", text: "To be checked"
    click_on "Undo"
    assert_selector ".fact-care", text: "Check overdue"
    visit page_checks_path(@ice)
    assert_accessible

    find("main").click_on "Out of date"
    fill_in "What to read instead", with: "Grit"
    fill_in "A word on it", with: "Since May."
    assert_accessible
    click_on "Mark as out of date"
    assert_selector ".said-care", text: "This page is out of date. See Grit. Since May."
    assert_accessible
    within(".said-care") { click_on "Up to date again" }
    assert_text "Up to date again."
    assert_no_text "This page is out of date."
  end

  test "a reader says by one click whether it helped, with a word to those who keep it" do
    sign_in_as @ben
    visit page_path(@ice)
    assert_selector ".said-care", text: "Nobody has yet."
    within "#helped" do
      click_on "It did not"
      assert_text "You said that this did not help."
      fill_in "A word to those who keep this page", with: "Where is the key?"
      click_on "Tell them"
      assert_text "You told those who keep it: Where is the key?"
      click_on "It did help"
      assert_text "You said that this helped."
    end
    assert_accessible
    assert_equal [ [ true, "Where is the key?" ] ], HelpAnswer.pluck(:helped, :words)
  end

  test "the desk is worked through by keyboard, with what takes back the last" do
    sign_in_as @ana
    visit desk_path
    assert_accessible
    click_on "3 checks are overdue"
    assert_selector ".worklist > li", count: 3
    assert_accessible
    press "."
    assert_equal "Ice", here
    press "s"
    assert_selector ".worked", text: /Ice.*Said to be still correct/m
    assert_equal "Grit", here
    press "s"
    assert_selector ".worked", count: 2
    press "u"
    assert_selector ".worked", count: 1
    assert_equal "Grit", here
    assert_selector ".worklist > li:not(.worked) button", text: "Still correct", count: 2
    press "e"
    assert_selector ".ProseMirror", text: "Text of Grit."
    assert_equal [ @ice.id ], Check.pluck(:page_id)
    visit desk_path
    assert_text "2 checks are overdue"
    select "On Board", from: "Room"
    click_on "Look"
    click_on "How “On Board” stands"
    assert_text "1 of 3 pages need no care."
    assert_accessible
  end

  test "notes are settled and proposals taken or declined from their lists" do
    question = ask(@ice, "Which rope?", by: @ben)
    one, other = [ @grit, @salt ].map { |page| note(page, "Text of #{page.title}", by: @ben, body: "", instead: "Words of it") }
    sign_in_as @ana
    visit desk_list_path(:questions)
    assert_accessible
    press "."
    press "s"
    assert_selector ".worked"
    assert_equal "settled", question.reload.standing
    press "u"
    assert_no_selector ".worked"
    assert_equal "open", question.reload.standing

    visit desk_list_path(:proposals)
    assert_selector ".worklist del", text: "Text"
    assert_accessible
    save_text(@salt.reload, "Nothing of the kind.", by: @ana)
    press "."
    press "t"
    assert_selector ".worked", text: /Words/
    expect_problem "422"
    press "t"
    assert_selector ".worked-problem"
    press "d"
    assert_selector ".worked", count: 2
    assert_equal %w[taken declined], [ one, other ].map { |each| each.reload.standing }
  end

  test "a tour goes through a room by keys, stops, and goes on" do
    sign_in_as @ana
    visit room_health_path(@room)
    click_on "Tour of On Board"
    click_on "Begin the tour"
    assert_selector "h1", text: "Ice"
    assert_text "0 of 3 pages"
    assert_accessible
    press "s"
    assert_selector "h1", text: "Grit"
    assert_text "“Ice” is still correct."
    fill_in "A word on it", with: "Sand now."
    find("h1").click
    find("body").send_keys "o"
    assert_selector "h1", text: "Salt"
    assert_text "2 of 3 pages"
    click_on "Undo"
    assert_selector "h1", text: "Grit"
    assert_text "1 of 3 pages"
    assert_equal [ 1, 0 ], [ Check.count, OutOfDateMark.count ]
    click_on "Stop for today"
    assert_text "You go on from here another day."
    assert_accessible
    click_on "Go on with the tour"
    assert_selector "h1", text: "Grit"
    press "a"
    assert_selector "h1", text: "Salt"
    press "e"
    assert_selector ".ProseMirror", text: "Text of Salt."
    visit room_tour_path(@room)
    assert_text "The tour is over"
    assert_accessible
    click_on "End the tour"
    assert_text "The tour has ended."
  end

  private

  def press(key)
    page.driver.browser.switch_to.active_element.send_keys key
  end

  def here
    find(".change-here .row-main").text
  end
end
