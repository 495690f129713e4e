require "application_system_test_case"

# Three people: one sets the rules, one writes, one looks over.
class ReviewStoryTest < ApplicationSystemTestCase
  include SeveralPeople

  setup do
    @ana, @wil, @ben = person("Ana Berg"), person("Wil Teal"), person("Ben Holt")
    @room = new_room("On Board", keeper: @ana, open: true)
    @room.grant(holder(@wil), :write)
    @page = new_page("Man overboard", above: @room, by: @ana, markdown: "Throw the ring.")
  end

  test "from draft through sent back to published" do
    as(@ana) do
      visit room_path(@room)
      find("summary", text: "More").click
      click_on "Review rules"
      check "Ben Holt"
      assert_accessible
      click_on "Save"
      assert_selector ".said", text: "Kept."
    end
    save_text(@page.reload, "Throw the ring and shout.", by: @wil)
    as(@wil) do
      visit page_path(@page)
      assert_no_link "Publish"
      click_on "Ask for a review"
      click_on "Ask for a review"
      assert_text "May approve: Ben Holt"
      fill_in "What to look at", with: "The shouting"
      click_on "Ask for a review"
      assert_text "Under review. 1 approval is still wanted."
    end
    as(@ben) do
      visit "/reviews"
      assert_accessible
      click_on "Man overboard", match: :first
      click_on "Man overboard", match: :first if page.has_no_text?("What has changed", wait: 1)
      assert_selector "ins", text: "shout"
      assert_accessible
      find("summary", text: "Send it back").click
      fill_in "What has to be changed", with: "Shout what?"
      click_on "Send it back"
      assert_selector ".said", text: "Sent back."
    end
    save_text(@page.reload, "Throw the ring and shout “man overboard”.", by: @wil)
    as(@wil) do
      visit page_review_path(@page)
      assert_text "Shout what?"
      visit edit_page_draft_path(@page)
      click_on "Publish"
      assert_text "This page is looked over before it is published."
      assert_no_field "What has changed?"
      assert_accessible
      click_on "Ask for a review"
      click_on "Ask for a review"
      assert_text "Under review."
    end
    as(@ben) do
      visit page_path(@page)
      click_on "Look at the review"
      click_on "Approve it"
      assert_text "Approved. It can be published as it is."
    end
    as(@wil) do
      visit "/reviews"
      assert_text "approved, waits for somebody to publish it"
      visit page_path(@page)
      click_on "Publish"
      click_on "Publish"
      assert_selector ".text", text: "shout “man overboard”"
      assert_equal "published", @page.review.reload.closed
    end
  end
end
