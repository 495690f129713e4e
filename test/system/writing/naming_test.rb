require "application_system_test_case"

# Naming somebody who may not read the page: it is said, and offered to be opened in that step.
class NamingTest < ApplicationSystemTestCase
  include Writing

  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @page = new_page("Wages", above: new_room("Pay", keeper: @ana), by: @ana, markdown: "Ask:")
    sign_in_as @ana
    visit edit_page_draft_path(@page)
    editor.send_keys [ :control, :end ], " @Ben"
    assert_selector "#link-choices[data-for='Ben'] [role=option]", text: "may not read this page"
    page.active_element.send_keys :enter
  end

  test "opening it to them in that step, with what it opens on the button" do
    assert_selector "[data-told]", text: "Ben Holt may not read this page."
    assert_accessible
    find("[data-told-acts] button").click
    assert_selector "[data-told]", text: "Ben Holt may read this page from now on."
    assert Viewer.new(@ben).sees?(@page.reload)
    assert_selector ".ProseMirror", text: "Ask: Ben Holt"
  end

  test "leaving it closed" do
    assert_selector "[data-told]", text: "Ben Holt may not read this page."
    find("[data-untell]").click
    assert_no_selector "[data-told]"
    assert_not Viewer.new(@ben).sees?(@page.reload)
  end
end
