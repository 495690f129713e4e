require "application_system_test_case"

# What is asked for by a sign in the text: things to insert, pages to link to, people.
class AskingTest < ApplicationSystemTestCase
  include Writing

  setup do
    @ida = person("Ida Karlow")
    @room = new_room("On Board", keeper: @ida, open: true)
    @page = new_page("Gangway in ice", above: @room, by: @ida, markdown: "Begin.\n\n# On deck\n\nMore.")
    @other = new_page("Mooring in swell", above: @room, by: @ida, markdown: "# Close the gangway\n\nx\n\n# Let go\n\ny")
    sign_in_as @ida
    visit "/p/#{@page.to_param}/draft/edit"
    editor
  end

  test "however quickly one types, what is typed behind a sign belongs to it, and what follows stands behind" do
    editor.send_keys " See ->https://forecast.example/harbour", :enter, " and ->mooring", :enter, " and @ida", :enter, "too.", :enter, "/tip", :enter, "Mind."
    saved
    assert_selector ".ProseMirror a.link-away", exact_text: "https://forecast.example/harbour"
    assert_selector ".ProseMirror a.link-page", exact_text: "Mooring in swell"
    assert_selector ".ProseMirror .mention", text: "Ida Karlow"
    assert_selector ".ProseMirror .notice-tip", exact_text: "Mind."
    assert_equal "More. See https://forecast.example/harbour and Mooring in swell and Ida Karlow too.", find(".ProseMirror > p", text: "More.").text.squish
  end

  test "a heading of a page is linked to behind its title, and one of this page by itself" do
    editor.send_keys " ->mooring#clo"
    assert_selector "[role=option][aria-selected=true]", text: /Close the gangway\s*Mooring in swell/
    editor.send_keys :enter, " ->#deck"
    assert_selector "[role=option][aria-selected=true]", text: /On deck\s*on this page/
    editor.send_keys :enter
    saved
    heading = Zuhause::Document::Walk.blocks(@other.edition.document).find { |block| block["type"] == "heading" }.dig("attrs", "id")
    own = block("heading").dig("attrs", "id")
    assert_equal [ "page:#{@other.public_id}##{heading}", "page:#{@page.public_id}##{own}" ], @page.links.where(stage: "draft").order(:id).pluck(:target)
  end

  test "the list of things to insert has groups, every word of it is there, and other words find the same" do
    click_on "Insert"
    assert_selector ".choice-group", count: 5
    assert_no_undefined
    assert_accessible
    { "image" => "Picture or file", "photo" => "Picture or file", "todo" => "Task list", "warning" => "Caution", "h2" => "Heading 2", "note" => "Note", "blank" => "Blank", "toc" => "Contents list" }.each do |typed, found|
      fill_in "What to insert", with: typed
      assert_selector "#link-choices[data-for='#{typed}'] [role=option]:first-child", text: /\A#{found}/
    end
    fill_in "What to insert", with: "zzz"
    assert_text "Nothing fits “zzz”."
    page.active_element.send_keys :escape
    assert_selector ".ProseMirror:focus"
  end

  test "a sign followed by a space, or left by Escape, stays text; Enter goes on where nothing fits" do
    editor.send_keys " 5 km / h and -> there ", "/zzz"
    assert_text "Nothing fits “zzz”."
    editor.send_keys :enter, "Next @", :escape, "home"
    assert_no_selector "[data-link-panel]"
    saved
    assert_equal [ "More. 5 km / h and -> there /zzz", "Next @home" ], draft["content"].last(2).map { |node| Zuhause::Document::Text.of(node) }
  end

  test "all that one chooses from while writing has its words" do
    find(".bench-more summary").click
    assert_no_undefined
    all("select", visible: :all).each { |list| list.all("option", visible: :all).each { |option| assert_predicate option.text(:all).strip, :present? } }
    page.evaluate_script("[...document.querySelectorAll('[data-writing] :is(button, a, select, input:not([type=hidden]))')].map((e) => e.getAttribute('aria-label') || e.title || e.textContent.trim() || e.labels?.[0]?.textContent || e.querySelector('[aria-label]')?.getAttribute('aria-label') || '')").each { |words| assert_predicate words, :present? }
  end

  private

  def assert_no_undefined
    assert_no_match(/undefined|translation missing|%\{/i, page.evaluate_script("document.body.innerText + [...document.querySelectorAll('[title], [aria-label]')].map((e) => [e.getAttribute('title'), e.getAttribute('aria-label')].filter(Boolean)).flat().join()"))
  end
end
