require "test_helper"

# What the workbench asks while a page is written.
class DraftsTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  setup do
    @ida = person("Ida Karlow")
    @tom = person("Tom Ruud")
    @room = new_room("On Board", keeper: @ida, open: true)
    @room.grant(holder(@tom), :write)
    @page = new_page("Gangway in ice", above: @room, by: @ida, markdown: "# On deck\n\nGrit.\n\n# Close it\n\nx")
    sign_in @ida
  end

  test "headings are offered behind a page's title, of what one reads alone" do
    hidden = new_page("Gangway wages", above: new_room("Pay", keeper: @tom), by: @tom, markdown: "# Close the books")
    get "/page_choices", params: { q: "gang#clo" }, as: :json
    assert_equal [ [ "Gangway in ice", "Close it" ] ], json.map { |found| found.values_at("title", "heading") }
    get "/page_choices", params: { q: "gang#" }, as: :json
    assert_equal [ "On deck", "Close it" ], json.map { |found| found["heading"] }
    assert_not_includes response.body, hidden.title
    get "/page_choices", params: { q: "gang#%_" }, as: :json
    assert_equal [], json
  end

  test "an answer fetched in the background leaves the session alone, so that what was done is still told" do
    get "/"
    get "/page_choices", params: { q: "gang" }, as: :json
    assert_nil response.headers["Set-Cookie"]
    post "/p/#{@page.to_param}/writer", as: :json
    assert_nil response.headers["Set-Cookie"]
    save_text(@page, "New.", by: @ida)
    post "/p/#{@page.to_param}/publication", params: { version: @page.reload.draft.version }, as: :json
    assert_response :created
    get "/p/#{@page.to_param}/publication/new", headers: { "Accept" => "application/json" }
    get "/p/#{@page.to_param}"
    assert_select ".said", text: /Edition 2 is published/
  end

  test "who writes is told to the others, and forgotten a while after they are gone" do
    PageWriter.note(@page, by: @tom, now: 10.minutes.ago)
    assert_equal "", PageWriter.others(@page, by: @ida).words
    PageWriter.note(@page, by: @tom)
    assert_equal "Tom Ruud has just begun to write here.", PageWriter.others(@page, by: @ida).words
    PageWriter.note(@page, by: @tom, now: 30.seconds.from_now)
    assert_equal "Tom Ruud has been writing here for a minute.", PageWriter.others(@page, by: @ida, now: 70.seconds.from_now).words
    post "/p/#{@page.to_param}/writer", as: :json
    assert_equal "Tom Ruud has just begun to write here.", json["words"]
    assert_equal 2, PageWriter.count
    @page.put_in_bin(by: @ida)
    @page.reload.erase
    assert_equal 0, PageWriter.count
  end

  test "throwing a draft away asks for the version that was seen, and keeps what was thrown away" do
    save_text(@page, "New.", by: @tom)
    seen = @page.draft.version
    save_text(@page, "Newer.", by: @tom)
    post "/p/#{@page.to_param}/discard", params: { version: seen }
    assert_redirected_to "/p/#{@page.to_param}/discard/new"
    assert_equal "Newer.", Zuhause::Document::Text.of(@page.reload.draft.document)
    editions = @page.editions.pluck(:number, :digest, :title)
    post "/p/#{@page.to_param}/discard", params: { version: @page.draft.version }
    assert_redirected_to @page
    assert_not @page.reload.unpublished_changes?
    assert_equal editions, @page.editions.pluck(:number, :digest, :title)
    assert_includes @page.states.map { |state| Zuhause::Document::Text.of(state.document) }, "Newer."
    get "/p/#{@page.to_param}/discard/new"
    assert_select "form[action*=discard]", count: 0
    post "/p/#{@page.to_param}/discard", params: { version: @page.draft.version }
    assert_equal "There is nothing to throw away: the draft says what edition 1 says.", flash[:alert]
    never = new_page("Fresh", above: @room, by: @ida, publish: false)
    get "/p/#{never.to_param}/discard/new"
    assert_response :not_found
  end

  test "a colleague's newer text comes with what differs, and with one in which both stand" do
    base = @page.draft.version
    save_text(@page, "Tom's words.", by: @tom)
    mine = Zuhause::Markup::MarkdownReader.read("My words.").doc
    patch "/p/#{@page.to_param}/draft", params: { base_version: base, save_id: "mine-1", title: "T", document: mine }, as: :json
    assert_response :conflict
    assert_equal [ "Tom's words.", "My words." ], json["both"]["content"].map { |node| Zuhause::Document::Text.of(node) }
    assert_match(/in the text of Tom Ruud alone/, json["html"])
  end

  test "a page begins with tags and a language, or not at all" do
    post "/p?above=#{@room.public_id}", params: { page: { title: "Schwell", language: "de" }, tags: "Winter, stages" }
    fresh = Page.find_by!(title: "Schwell")
    assert_redirected_to "/p/#{fresh.to_param}/draft/edit"
    assert_equal [ "de", %w[stages winter] ], [ fresh.language, fresh.tags.map(&:name) ]
    assert_no_difference(-> { [ Page.count, Tag.count ].sum }) do
      post "/p?above=#{@room.public_id}", params: { page: { title: "Other", language: "xx" }, tags: "winter" }
      assert_response :unprocessable_entity
      post "/p?above=#{@room.public_id}", params: { page: { title: "Other" }, tags: "#{"x" * 50}, y" }
      assert_response :unprocessable_entity
      assert_select ".wrong", /x/
      assert_select "#page_title[value=Other]"
      assert_select "#tags[value*=y]"
    end
  end

  private

  def json
    response.parsed_body
  end
end
