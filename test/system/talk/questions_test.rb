require "application_system_test_case"

class QuestionsTest < ApplicationSystemTestCase
  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @room = new_room("On Board", keeper: @ana, open: true)
    @room.grant(holder(:everyone), :comment)
    @page = new_page("Dogs on board", above: @room, by: @ana, markdown: "Dogs travel free, on a lead.")
  end

  test "a question is asked after looking for what answers it, answered, helped by, and put into the text" do
    ask(@page, "May a cat travel in the saloon?", by: @ana).reply("In its basket.", by: @ana)
    sign_in_as @ben
    visit page_path(@page)
    click_on "Ask a question"
    fill_in "Your question", with: "Can my cat come into the saloon?"
    click_on "Look for an answer"
    assert_selector ".found-before a", text: "May a cat travel in the saloon?"
    assert_accessible
    fill_in "Your question", with: "May a goat come along?"
    click_on "Ask it"
    assert_selector ".said", text: "Asked."
    fill_in "An answer", with: "On the open deck."
    click_on "Answer"
    assert_selector ".note-replies", text: "On the open deck."
    click_on "This answers it"
    assert_selector ".note-answer", text: "On the open deck."
    assert_accessible
    using_session("Ana") do
      sign_in_as @ana
      visit "/questions?show=done"
      assert_accessible
      click_on "May a goat come along?"
      click_on "Helped me"
      assert_selector "[aria-pressed=true]", text: /Helped me\s1/
      click_on "Put it into the text"
      assert_selector "[data-ready=true]"
      assert_selector ".ProseMirror h2", text: "May a goat come along?"
      assert_selector ".ProseMirror p", text: "On the open deck."
    end
  end

  test "what was asked at the counter is entered with its answer, and the board is looked through" do
    ask(@page, "Who feeds the ship's cat?", by: @ben)
    ask(@page, "Is there hay?", by: @ben).reply("No.", by: @ana).voice("doubted", by: @ben)
    sign_in_as @ana
    visit new_page_question_path(@page)
    fill_in "Your question", with: "Do dogs pay?"
    click_on "Look for an answer"
    find("summary", text: "It was asked elsewhere").click
    fill_in "Where it came from", with: "at the counter"
    fill_in "The answer, if there is one", with: "They do not."
    click_on "Ask it"
    assert_selector ".note-state", text: "asked at the counter"
    visit "/questions"
    assert_selector ".board li", text: "Who feeds the ship's cat?", count: 1
    click_on "Answer doubted 1"
    assert_selector ".board li", text: "Is there hay?", count: 1
    click_on "Done 1"
    assert_selector ".board li", text: "Do dogs pay?"
    fill_in "With the words", with: "pay not"
    select "On Board", from: "Room"
    click_on "Show"
    assert_selector ".board li", count: 1
    assert_accessible
  end

  test "in a room's thread things are said, pages put in, and a line becomes a question or a page by one key" do
    sign_in_as @ana
    visit room_path(@room)
    click_on "Thread"
    assert_accessible
    fill_in "Say something", with: "What to wear on the bridge\nEverybody asks."
    click_on "Say it"
    assert_selector ".thread-line", text: "What to wear on the bridge"
    find("summary", text: "Put a page into it").click
    fill_in "Say something", with: "Please read."
    fill_in "The page's address", with: page_url(@page)
    click_on "Say it"
    assert_selector ".thread-page", text: "edition 1"
    assert_accessible
    find("h1").click
    find("body").send_keys ","
    page.active_element.send_keys ","
    page.active_element.send_keys "g"
    assert_selector "[data-ready=true]"
    assert_field "Title", with: "What to wear on the bridge"
    visit page_thread_path(@page)
    fill_in "Say something", with: "Ferrets?"
    click_on "Say it"
    assert_selector ".thread-line", text: "Ferrets?"
    find(".thread-line").send_keys "q"
    assert_selector ".said", text: "It is a question to the page now."
    assert_equal %w[question], Remark.where(page: @page).firsts.pluck(:kind)
  end

  test "a point in a picture, and notes on what is shown live" do
    file = PageFile.take(ActionDispatch::Http::UploadedFile.new(tempfile: Rails.root.join("test/files/dot.png").open("rb"), filename: "dot.png"), page: @page, by: @ana)
    document = @page.draft.document
    figure = { "type" => "figure", "attrs" => { "file" => file.public_id, "alt" => "A dog", "width" => 50 }, "content" => [ { "type" => "text", "text" => "A dog" } ] }
    @page.save_draft(State.new(title: "Dogs on board", document: document.merge("content" => document["content"] + [ figure ])), base_version: @page.draft.version, by: @ana)
    @page.publish(version: @page.draft.version, by: @ana)
    other = new_page("Care", above: @room, by: @ana, markdown: "::: live_insert {page=\"#{@page.public_id}\"}\n:::")
    sign_in_as @ben
    visit page_path(@page)
    find("figure").hover
    click_on "Note on the picture"
    find("figure img").click
    within(".note-new") { fill_in "Your note", with: "Another dog?" }
    click_on "Put it here"
    assert_selector ".note-open", text: "Another dog?"
    assert_selector "figure .noted-point"
    assert_in_delta 50, RemarkPlace.last.x, 3
    note(@page, "travel free", by: @ben, body: "Since when?")
    visit page_path(other)
    assert_selector ".insert .noted", text: "travel free"
    assert_selector ".note", text: "on “Dogs on board”, shown here live"
    assert_accessible
    click_on "Since when?"
    assert_selector "h1", text: "Note on “Dogs on board”"
  end
end
