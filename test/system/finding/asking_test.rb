require "application_system_test_case"

# Asking in one's own words, and narrowing it down.
class AskingTest < ApplicationSystemTestCase
  setup do
    @ana = person("Ana Berg")
    @room = new_room("On Board", keeper: @ana, open: true)
    new_page("Lost property", above: @room, by: @ana, markdown: "What comes in.\n\n# How long we keep things\n\nBicycles: a year.")
    new_page("Bicycles", above: new_room("Ashore", keeper: @ana, open: true), by: @ana, markdown: "Twenty bicycles fit on the ship.")
    sign_in_as @ana
  end

  test "an answer, why, a filter piece, and a word that means the same" do
    visit "/find?q=how+long+are+bicycles+kept"
    assert_selector ".answer", text: "Bicycles: a year."
    assert_accessible
    within(".found > li:first-child") do
      find("summary", text: "Why this?").click
      assert_text "kept as “keep” in the heading"
    end
    find(".peek summary", text: "Look inside", match: :first).click
    assert_selector ".peeked mark", text: "Bicycles"
    assert_accessible
    find(".belongs summary").click
    assert_text "Nothing here belongs to it so far."
    click_on "Keep this search"
    assert_text "The search is kept."
    click_on "Let go of this search"
    assert_text "no longer kept"
    fill_in "find", with: "bicycles in Ashore"
    find("#find").send_keys(:enter)
    assert_selector ".pieces .tag", text: "in Ashore"
    assert_no_selector ".row-main", text: "Lost property"
    find(".pieces .tag").click
    assert_selector ".row-main", text: "Lost property"
    click_on "Term list"
    fill_in "Our word", with: "bicycle"
    fill_in "Other words for it", with: "velocipede"
    assert_accessible
    click_on "Save"
    assert_selector ".row-main", text: "bicycle"
    visit "/find?q=velocipede"
    assert_selector ".row-main", text: "Bicycles"
  end
end
