require "application_system_test_case"

# Copying many pages: started, left, found again, and looked at when it is done; or stopped.
class CopyingSystemTest < ApplicationSystemTestCase
  setup do
    @ana = person("Ana Berg")
    @room = new_room("On Board", keeper: @ana, open: true)
    @top = new_page("Drills", above: @room, by: @ana)
    20.times { |i| new_page("Drill #{i}", above: @top, by: @ana) }
    sign_in_as @ana
  end

  test "many pages are copied while one does something else" do
    held { copy }
    assert_selector "h1", text: "Copying “Drills” with all below it: 21 pages"
    assert_selector ".work [role=status]", text: "It begins in a moment."
    assert_accessible
    visit "/p/#{@top.to_param}"
    within(".said", text: "Copying “Drills”") { click_on "How far it is" }
    Work.last.run
    assert_selector ".work [role=status]", text: "It is done."
    assert_no_button "Stop it"
    click_on "Look at it"
    assert_selector "h1", text: "Copy of Drills"
    find("summary .me").click
    click_on "Long work"
    assert_selector ".rows li", count: 1, text: "It is done."
    assert_accessible
  end

  test "what is stopped leaves nothing" do
    held { copy }
    click_on "Stop it"
    assert_selector ".work [role=status]", text: "It was stopped. Nothing came of it."
    visit "/rooms/#{@room.public_id}"
    assert_no_text "Copy of Drills"
  end

  private

  # Jobs wait meanwhile, as they do while others are done.
  def held
    ActiveJob::Base.queue_adapter = :test
    yield
  ensure
    ActiveJob::Base.queue_adapter = :inline
  end

  def copy
    visit "/p/#{@top.to_param}/copy/new"
    click_on "Copy"
    assert_selector ".work"
  end
end
