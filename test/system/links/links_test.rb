require "application_system_test_case"

# What a link leads to is told: read and written.
class LinksTest < ApplicationSystemTestCase
  include Writing

  setup do
    @ida = person("Ida Karlow")
    @room = new_room("On Board", keeper: @ida)
    @salt = new_page("Salt & grit", above: @room, by: @ida)
    @draft = new_page("Half a thought", above: @room, by: @ida, publish: false)
    @page = new_page("Gangway", above: @room, by: @ida, markdown: "First [the grit](page:#{@salt.public_id}), [a thought](page:#{@draft.public_id}), then [sand](promise:Sand).")
    sign_in_as @ida
  end

  test "a link that has the focus tells the page's title and how it stands, and Escape puts that away" do
    visit "/p/#{@page.to_param}"
    find(".text a", text: "the grit").execute_script("this.focus()")
    assert_selector "[role=tooltip]", text: /\ASalt & grit, edition 1, /
    assert_equal "link-tip", find(".text a", text: "the grit")["aria-describedby"]
    assert_accessible
    page.active_element.send_keys :tab
    assert_selector "[role=tooltip]", text: "Half a thought, not published yet"
    page.active_element.send_keys :escape
    assert_no_selector "[role=tooltip]"
    find(".text a", text: "the grit").hover
    assert_selector "[role=tooltip]", text: "Salt & grit"
  end

  test "while writing, the link that the caret is in tells the same, and is changed or taken off whole" do
    visit "/p/#{@page.to_param}/draft/edit"
    editor.send_keys [ :control, :home ], *([ :arrow_right ] * 8)
    assert_selector "[data-link-told]", text: /\ASalt & grit, edition 1, /
    assert_equal "/p/#{@salt.public_id}", URI(find("[data-link-open]")[:href]).path
    assert_accessible
    within("[data-context]") { click_on "Change" }
    choose_from_list "Half", /Half a thought/
    saved
    assert_includes draft.to_json, %("text":"the grit")
    editor.send_keys [ :control, :home ], *([ :arrow_right ] * 8)
    assert_selector "[data-link-told]", text: "Half a thought, not published yet"
    click_on "Take the link off"
    assert_no_selector "[data-link-told]"
    saved
    assert_equal [ @draft.public_id, "Sand" ], Zuhause::Links.in(draft).map { |reference| reference.target.value }
  end

  test "a page is found in the plan when one does not know what it is called" do
    below = new_page("Where the salt lies", above: @salt, by: @ida)
    visit "/p/#{@page.to_param}/draft/edit"
    editor.send_keys [ :control, :end ], " ", [ :control, "k" ]
    field = find("#link-words")
    assert_selector "#link-choices [role=option]", text: "Look in the plan"
    field.send_keys :up
    assert_selector "[role=option][aria-selected=true]", text: "Look in the plan"
    field.send_keys :enter
    assert_selector "#link-choices [role=option]", text: "On Board"
    field.send_keys :arrow_right
    assert_selector "#link-choices [role=option]", text: "Salt & grit"
    assert_accessible
    field.send_keys "salt"
    assert_no_selector "#link-choices [role=option]", text: "Half a thought"
    field.send_keys :arrow_right
    assert_selector "#link-choices [role=option]", text: "Where the salt lies"
    field.send_keys [ :control, :home ], :arrow_left
    assert_selector "#link-choices [role=option]", text: "Salt & grit"
    field.send_keys :arrow_right
    assert_selector "#link-choices [role=option]", text: "Where the salt lies"
    field.send_keys :enter
    saved
    assert_includes Zuhause::Links.in(draft).map { |reference| reference.target.value }, below.public_id
  end

  test "a passage is chosen among all that one can see" do
    new_page("Refunds", above: @room, by: @ida, markdown: "::: passage {name=\"When we pay\"}\n\nWithin a week.\n\n:::")
    visit "/p/#{@page.to_param}/draft/edit"
    editor.send_keys [ :control, :end ], :enter, "/passage, sh"
    assert_selector "#link-choices [role=option]", text: "Passage, shown live"
    editor.send_keys :enter
    assert_selector "#link-choices [role=option]", text: "When we pay"
    find("#link-words").send_keys "pay", :enter
    assert_selector ".ProseMirror", text: "Within a week."
  end
end
