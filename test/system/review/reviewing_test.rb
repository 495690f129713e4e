require "application_system_test_case"

# What else there is to reviews: reading and commenting on a draft without writing, publishing at a set time, standing in,
# taking an edition back, putting aside, who wrote what.
class ReviewingTest < ApplicationSystemTestCase
  include SeveralPeople, Talking

  setup do
    @ana, @wil, @ben, @cay = person("Ana Berg"), person("Wil Teal"), person("Ben Holt"), person("Cay Dorn")
    @room = new_room("On Board", keeper: @ana, open: true)
    @room.grant(holder(@wil), :write)
    @room.grant(holder(:everyone), :comment)
    @page = new_page("Man overboard", above: @room, by: @ana, markdown: "Throw the ring.")
  end

  test "asked by name, commented on, approved and published at a set time" do
    ReviewRule.of(@room).set(people: [ @ben, @cay ], groups: [], by: @ana)
    save_text(@page.reload, "Throw the ring and shout.", by: @wil)
    as(@wil) do
      visit new_page_review_path(@page)
      check "Ben Holt"
      choose "It is published at a set time"
      assert_accessible
      click_on "Ask for a review"
      assert_text "Has to be said"
      assert_checked_field "Ben Holt"
      fill_in "The set time", with: 3.days.from_now.change(hour: 8)
      click_on "Ask for a review"
      assert_text "Asked by name: Ben Holt"
      visit page_path(@page)
      assert_selector ".facts", text: "under review by Ben Holt"
    end
    as(@ben) do
      visit "/reviews"
      within("main") { click_on "Man overboard" }
      click_on "Read it, with notes"
      assert_selector ".text", text: "Throw the ring and shout."
      choose_words("shout")
      find(".mark-menu button", text: "Note").click
      find(".note-new textarea[name=\"remark[body]\"]").set("Shout what?")
      within(".note-new") { find(".button-main").click }
      assert_selector ".note", text: "Shout what?"
      assert_accessible
      click_on "To the review"
      click_on "Approve it"
      assert_selector ".said", text: "Approved."
      visit "/reviews"
      assert_text "Nothing waits for you."
    end
    as(@wil) do
      visit edit_page_draft_path(@page)
      assert_text "Ben Holt has approved what stands here."
      visit "/to-be-published"
      assert_selector ".row-main", text: "Man overboard"
      assert_accessible
      visit page_path(@page)
      assert_selector ".facts", text: "to be published"
      click_on "Do not publish it"
      assert_no_selector ".said", text: "has set the draft"
    end
  end

  test "set for later from the workbench, and a time that is over is said there" do
    save_text(@page.reload, "Throw the ring and shout.", by: @wil)
    as(@wil) do
      visit edit_page_draft_path(@page)
      click_on "Publish"
      fill_in "At a set time", with: 3.days.ago
      within(".bench-publish") { click_on "Publish" }
      assert_selector "[data-publish-error]", text: "has to lie ahead"
      fill_in "At a set time", with: 3.days.from_now
      within(".bench-publish") { click_on "Publish" }
      assert_selector ".said", text: "Wil Teal has set the draft to be published"
      assert_equal 1, TimedPublication.count
    end
  end

  test "somebody stands in" do
    as(@ben) do
      visit "/reviews"
      click_on "While you are away"
      assert_accessible
      fill_in "From", with: Date.current
      fill_in "Until", with: Date.yesterday
      select "Cay Dorn", from: "Who stands in for you"
      click_on "Save"
      assert_selector ".field-wrong", text: "Lies before the first"
      fill_in "Until", with: 3.days.from_now.to_date
      click_on "Save"
      assert_selector ".said", text: "Kept."
      assert_equal @cay, Absence.find_by(person: @ben).deputy
    end
  end

  test "an edition taken back, and the page as it was on a day" do
    rewrite(@page, "Throw the stone.", by: @ana)
    as(@ana) do
      visit page_edition_path(@page, 2)
      click_on "Take it back"
      assert_accessible
      click_on "Take it back"
      assert_selector "main", text: "Take edition 2 back"
      fill_in "Why", with: "A stone does not float"
      click_on "Take it back"
      assert_selector ".edition-retracted", text: "A stone does not float"
      visit page_path(@page)
      assert_selector ".text", text: "Throw the ring."
    end
    as(@ben) do
      visit page_editions_path(@page)
      assert_no_text "Edition 2"
      find("summary", text: "Choose by person or day").click
      fill_in "As it was on", with: Date.current
      assert_accessible
      click_on "Look"
      assert_selector ".text", text: "Throw the ring."
      visit page_edition_path(@page, 2)
      assert_text "There is nothing at this address"
    end
  end

  test "put aside, and taken up again" do
    as(@wil) do
      visit page_path(@page)
      find(".menu-page summary").click
      click_on "Put aside"
      fill_in "Why", with: "Another drill holds now"
      assert_accessible
      click_on "Put it aside"
      assert_selector ".said", text: "Another drill holds now"
      assert_no_selector ".plan .plan-row", text: "Man overboard"
      visit "/pages?of=aside"
      within("main") { click_on "Man overboard" }
      find(".menu-page summary").click
      click_on "Take up again"
      assert_selector ".plan", text: "Man overboard"
    end
  end

  test "who wrote what stands beside the text" do
    save_text(@page.reload, "x", by: @wil).then { @page.reload.discard_draft(version: @page.draft.version, by: @wil) }
    carry("Throw the orange ring.", by: @wil)
    @page.publish(version: @page.draft.version, by: @wil)
    as(@ben) do
      visit page_path(@page)
      find(".menu-page summary").click
      click_on "Who wrote what"
      assert_selector ".shares li", text: "Ana Berg 3 words, 75%"
      assert_selector ".written-by li", text: "Wil Teal since edition 2 orange"
      assert_accessible
    end
  end

  private

  # What will not do is answered so.
  def expected_problems
    [ "422", "editions/2" ]
  end

  def carry(markdown, by:)
    document = Zuhause::Changes.carry_ids(@page.reload.draft.document, Zuhause::Markup::MarkdownReader.read(markdown).doc)
    @page.save_draft(@page.draft.state.with(document: document), base_version: @page.draft.version, by: by)
  end

  def choose_words(words)
    page.execute_script(<<~JS, words)
      const walker = document.createTreeWalker(document.querySelector(".text"), NodeFilter.SHOW_TEXT)
      while (walker.nextNode()) {
        const at = walker.currentNode.data.indexOf(arguments[0])
        if (at < 0) continue
        const range = document.createRange()
        range.setStart(walker.currentNode, at)
        range.setEnd(walker.currentNode, at + arguments[0].length)
        document.getSelection().removeAllRanges()
        document.getSelection().addRange(range)
        return
      }
    JS
  end
end
