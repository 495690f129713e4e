require "application_system_test_case"

# Saved is not seen: what readers see while a draft is ahead of it, throwing a draft away, and two writers at once.
class DraftsTest < ApplicationSystemTestCase
  include Writing

  setup do
    @ida = person("Ida Karlow")
    @tom = person("Tom Ruud")
    @room = new_room("On Board", keeper: @ida, open: true)
    @room.grant(holder(@tom), :write)
    @page = new_page("Gangway in ice", above: @room, by: @ida, markdown: "Old words.")
    sign_in_as @ida
  end

  test "closing says what readers see, with publishing beside; Ctrl+S opens publishing" do
    open_draft
    page.active_element.send_keys " New ones."
    saved
    click_on "Close"
    assert_text "Readers still see edition 1."
    assert_accessible
    within(".said-unpublished") { click_on "Publish" }
    assert_selector "h1", text: "Publish “Gangway in ice”"
    assert_accessible
    fill_in "What has changed?", with: "New ones"
    click_on "Publish"
    assert_text "Edition 2 is published."
    assert_no_text "Readers still see"
    open_draft
    page.active_element.send_keys " More.", [ :control, "s" ]
    assert_selector "#note:focus"
    within("[data-publish-panel]") { assert_text "Readers still see edition 2." }
  end

  test "a page that was never published says so in plan and facts" do
    page_never = new_page("Fresh", above: @room, by: @ida, publish: false)
    visit "/p/#{page_never.to_param}"
    assert_selector ".plan .leaf-draft", text: "not published"
    assert_selector ".facts", text: "not published yet"
    assert_text "Nobody sees this page yet but those who may write here."
    assert_accessible
  end

  test "a draft is thrown away after a look, and that is undone" do
    open_draft
    page.active_element.send_keys " Wrong ones."
    saved
    find(".bench-more summary").click
    click_on "Throw the draft away"
    assert_selector "ins", text: "Wrong ones."
    assert_accessible
    click_on "Throw the draft away"
    assert_text "The draft says what edition 1 says."
    assert_no_selector ".fact-draft"
    assert_equal "Old words.", Zuhause::Document::Text.of(draft)
    click_on "Undo"
    assert_selector ".ProseMirror", text: "Old words. Wrong ones."
  end

  test "who else is writing is told before one types" do
    PageWriter.note(@page, by: @tom, now: 3.minutes.ago)
    PageWriter.where(person: @tom).update_all(seen_at: Time.current)
    open_draft
    assert_selector "[data-writers]", text: "Tom Ruud has been writing here for 3 minutes."
    assert_accessible
    assert_equal [ @ida, @tom ], PageWriter.where(page: @page).map(&:person).sort_by(&:name)
  end

  test "text in the source is kept in the browser while typed, and offered again" do
    tab = open_new_window
    within_window(tab) do
      visit "/p/#{@page.to_param}/markdown/edit"
      find("[data-ready=true] .cm-content").send_keys [ :control, :end ], " <font>From the source."
      assert_text "HTML is kept as code: <font>"
    end
    tab.close
    visit "/p/#{@page.to_param}/markdown/edit"
    assert_text "This browser holds text of this page that was never saved."
    click_on "Take it in"
    assert_selector ".cm-content", text: "From the source."
    click_on "Save"
    assert_selector ".sheet", text: "From the source."
    visit "/p/#{@page.to_param}/draft/edit"
    editor
    visit "/p/#{@page.to_param}/markdown/edit"
    assert_selector "[data-ready=true]"
    assert_no_text "never saved"
  end

  test "a task's person and day are seen while writing, and days read as they are read" do
    save_text(@page, "::: task_list\n\n::: task {assignee=\"#{@tom.public_id}\" due=\"2030-12-01\"}\n\nSweep\n\n:::\n\n:::\n\nOn [](date:2030-12-01).", by: @ida)
    open_draft
    find(".ProseMirror p", text: "On").click
    assert_selector ".ProseMirror .task-facts", text: "Tom Ruud, by 1 Dec 2030"
    assert_selector ".ProseMirror .date", exact_text: "1 Dec 2030"
    publish
    assert_selector ".text .task-facts", text: "Tom Ruud, by 1 Dec 2030"
    assert_selector ".text time", exact_text: "1 Dec 2030"
  end

  private

  def open_draft
    visit "/p/#{@page.to_param}/draft/edit"
    editor
  end
end
