require "application_system_test_case"

# Two people: one follows, the other writes; the one is told.
class FollowingTest < ApplicationSystemTestCase
  include SeveralPeople

  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @room = new_room("On Board", keeper: @ana, open: true)
    @page = new_page("Gangway", above: @room, by: @ana, markdown: "Salt the ramp.")
    House.current.update!(demo: true)
  end

  test "following, being told, seeing what has changed, and stopping from the mail" do
    as(@ben) do
      visit page_path(@page)
      click_on "Follow"
      assert_selector ".said", text: "You are told what happens to this page."
      find("summary", text: "Followed").click
      assert_accessible
      click_on "All below it too"
      assert_selector ".follow summary", text: "Followed, with all below"
    end
    Reading.where(person: @ben).or(Reading.where(person: @ana)).delete_all
    EditionReading.update_all(read_at: 2.days.ago)
    as(@ana) do
      visit edit_page_draft_path(@page)
      find(".ProseMirror").send_keys [ :control, :end ], " Then the rail."
      assert_selector "[data-state=saved]"
      click_on "Publish"
      fill_in "What has changed?", with: "The rail too"
      click_on "Publish", match: :first
      assert_selector ".said", text: "Edition 2 is published."
    end
    as(@ben) do
      visit root_path
      click_on "News"
      assert_selector ".news li", text: "Ana Berg changed it"
      assert_selector "q", text: "The rail too"
      assert_accessible
      click_on "What has changed"
      assert_selector "ins", text: "Then the rail."
      visit page_path(@page)
      assert_selector ".said", text: "Changed since you were here"
      assert_selector ".since-notes q", text: "The rail too"
      assert_selector ".text ins", text: "Then the rail."
      assert_accessible
      find("body").send_keys "."
      assert_selector "button.change-here", text: "Changed"
      click_on "Hide the marks"
      assert_no_selector ".text ins"
      click_on "Mark it in the text"
      assert_selector ".text ins", text: "Then the rail."
      visit "/news"
      assert_text "You have looked at everything."
      visit "/changes"
      assert_selector ".rows li", text: "Gangway"
      assert_accessible
      visit "/profile/news/edit"
      assert_accessible
      visit "/news?show=all"
      click_on "Stop telling me of: Gangway"
      assert_selector ".said", text: "You are told no more of it"
    end
    assert_predicate Follow.of(@ben, @page), :stopped?
  end
end
