require "application_system_test_case"

# Terms with explanations, and words at the foot of the page: written from the keyboard, published, compared, brought in.
class TermsAndFootnotesTest < ApplicationSystemTestCase
  include Writing

  setup do
    @ida = person("Ida Karlow")
    @room = new_room("On Board", keeper: @ida, open: true)
    @page = new_page("Gangway in ice", above: @room, by: @ida, markdown: "Begin.")
    sign_in_as @ida
    visit "/p/#{@page.to_param}/draft/edit"
    editor.send_keys [ :control, :end ], :enter
  end

  test "terms and explanations are written by Enter, Tab and Backspace" do
    insert "terms"
    page.active_element.send_keys "Gangway", :enter, "The way on board.", :enter, "Never wet.", :enter, :enter, "Quay", :tab, "Of stone.", :enter, :enter, :enter, "After."
    saved
    assert_equal [ "Gangway", "The way on board.\nNever wet.", "Quay", "Of stone." ], block("definition_list")["content"].map { |node| Zuhause::Document::Text.of(node) }
    assert_equal %w[paragraph definition_list paragraph], draft["content"].map { |node| node["type"] }
    assert_equal "After.", Zuhause::Document::Text.of(draft["content"].last)
    find(".ProseMirror dt", text: "Quay").click
    page.active_element.send_keys :end, *[ :backspace ] * 5 # letter by letter: what is chosen by keys is known to the editor a moment later
    assert_no_selector ".ProseMirror dt", text: "Quay"
    assert_accessible
    publish
    assert_selector ".text dl dt", text: "Gangway"
    assert_selector ".text dl dd", count: 2
    assert_accessible
  end

  test "a footnote is written where its number stands, left by arrow keys and Enter, and read at the foot" do
    page.active_element.send_keys "Grit"
    insert "footnote"
    page.active_element.send_keys "Fine, ", [ :control, "b" ], "dry", [ :control, "b" ], :arrow_right, " and salt", :arrow_left, :arrow_left, :arrow_left, :arrow_left, :arrow_left
    page.active_element.send_keys :end
    insert "footnote"
    page.active_element.send_keys "Coarse.", :enter, " are kept dry."
    saved
    assert_equal "Grit[^1] and salt[^2] are kept dry.\n\n[^1]: Fine, **dry**\n\n[^2]: Coarse.\n", Zuhause::Markup::MarkdownWriter.write({ "content" => [ draft["content"].last ] }, ids: false)
    # Over the edges, letter by letter, and an empty one goes.
    page.active_element.send_keys :home, [ :arrow_right ] * 4, "s", :arrow_right, "f", [ :control, "z" ], :backspace
    insert "footnote"
    page.active_element.send_keys :backspace, "!"
    saved
    assert_equal [ "Grits! and salt are kept dry.", "Fine, dry", "Coarse." ], Zuhause::Document::Text.of(draft["content"].last).lines(chomp: true)
    assert_accessible
    publish
    assert_equal [ "Fine, dry ↩", "Coarse. ↩" ], all(".footnotes li").map(&:text)
    assert_accessible
    find(".text a[role=doc-noteref]", text: "2").click
    assert_equal "b-note-2", URI(page.current_url).fragment
    within(".footnotes") { find("a[aria-label='Back to the text (2)']").click }
    assert_equal "b-note-2-at", URI(page.current_url).fragment
  end

  test "a footnote cannot stand in a heading, and takes a link" do
    page.active_element.send_keys "# Salt"
    insert "footnote"
    assert_text "A footnote cannot stand here."
    editor.send_keys [ :control, :end ], :enter, "Grit"
    insert "footnote"
    page.active_element.send_keys "See "
    page.active_element.send_keys [ :control, "k" ]
    choose_from_list "https://quay.example", /quay/
    saved
    assert_equal [ "https://quay.example" ], Zuhause::Links.in(draft).map { |reference| reference.target.to_s }
    assert_equal "See https://quay.example", Zuhause::Document::Text.of(draft["content"].last).lines.last
  end
end
