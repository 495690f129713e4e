require "application_system_test_case"

class ComparingTest < ApplicationSystemTestCase
  test "a draft is compared with its edition, and one change put back" do
    ida = person("Ida Karlow")
    sheet = new_page("Gangway in ice", above: new_room("On Board", keeper: ida), by: ida, markdown: "Salt eats the hinge bolts.\n\nKnock the ropes before use.\n\nThe last words.")
    document = sheet.draft.document.deep_dup
    document["content"][0]["content"][0]["text"] = "Salt eats the old hinge bolts."
    document["content"][1]["content"][0]["text"] = "Knock the ropes before and after use."
    document["content"] << { "type" => "notice", "content" => [ { "type" => "paragraph", "content" => [ { "type" => "text", "text" => "Sand only." } ] } ] }
    sheet.save_draft(State.new(title: sheet.title, document: document), base_version: 2, save_id: "save-1", by: ida)

    sign_in_as ida
    visit "/p/#{sheet.to_param}"
    click_on "has unpublished changes"
    assert_selector ".compare-summary", text: "2 paragraphs changed and 1 notice added."
    assert_selector "ins", text: "old"
    assert_selector ".change-name", text: "changed", count: 2
    assert_accessible
    find("h1").click
    page.send_keys "."
    assert_selector "[data-change].change-here", text: "Salt eats the old hinge bolts."
    page.send_keys "."
    assert_selector "[data-change].change-here", text: "before and after use"
    page.send_keys ","
    within(".change-here") { click_on "Put back as it was" }
    assert_text "The draft has been changed back there."
    assert_selector ".compare-summary", text: "1 paragraph changed and 1 notice added."
    assert_equal "Salt eats the hinge bolts.\nKnock the ropes before and after use.\nThe last words.\nSand only.", Zuhause::Document::Text.of(sheet.reload.draft.document)
    click_on "Side by side"
    assert_selector ".sides .text:nth-of-type(even) .change-changed ins", text: "and after"
    assert_accessible
  end
end
