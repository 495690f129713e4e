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

  test "at the front door stands what one has begun to write, until it is published, or one may not write it any more" do
    fresh = new_page("Bunkering", above: @room, by: @ida, publish: false)
    save_text(fresh.reload, "By day.", by: @ida)
    save_text(@page.reload, "Sand first.", by: @tom)
    rows = lambda do |who|
      sign_in who
      get "/"
      css_select("ul.rows a[href$='/draft/edit']").map(&:text)
    end
    assert_equal [ [ "Bunkering" ], [ "Gangway in ice" ] ], [ rows[@ida], rows[@tom] ], "the words of others wait with them"
    save_text(@page.reload, "Sand and grit first.", by: @ida)
    assert_equal [ "Gangway in ice", "Bunkering" ], rows[@ida]
    @page.reload.publish(version: @page.draft.version, by: @ida)
    assert_equal [ [ "Bunkering" ], [] ], [ rows[@ida], rows[@tom] ]
    save_text(fresh.reload, "By day and night.", by: @tom)
    @room.grant(holder(@tom), :read)
    assert_equal [], rows[@tom]
  end

  test "a guest who writes can name whom they meet, and nobody else" do
    gerd = person("Gerd Moll", role: "guest")
    @page.grant(holder(gerd), :write)
    person("Ida Lund")
    sign_in gerd
    get "/p/#{@page.to_param}/draft/edit"
    told = JSON.parse(css_select("script[data-names]").text)
    assert_equal [ "Gerd Moll", "Ida Karlow" ], told["people"].values.sort
    get "/person_choices", params: { q: "Ida" }, as: :json
    assert_equal [ "Ida Karlow" ], json.map { |found| found["name"] }
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

  test "what is saved on an older text is joined with the newest, and answered with what came of it" do
    base = @page.draft
    theirs = Zuhause::Document.accept(Zuhause::Markup::MarkdownReader.read("Tom's words.").doc).doc["content"]
    @page.save_draft(State.new(title: "Tom's title", document: base.document.merge("content" => base.document["content"] + theirs)), base_version: base.version, by: @tom)
    mine = base.document.merge("content" => Zuhause::Document.accept(Zuhause::Markup::MarkdownReader.read("My words.").doc).doc["content"] + base.document["content"])
    2.times do # the same id, the same answer
      patch "/p/#{@page.to_param}/draft", params: { base_version: base.version, save_id: "mine-1", title: base.title, document: mine }, as: :json
      assert_response :success
      assert_equal [ base.version + 2, "Tom's title", "Tom Ruud" ], json.values_at("version", "title", "by")
      assert_equal [ "My words.", *base.document["content"].map { |node| Zuhause::Document::Text.of(node) }, "Tom's words." ], json["document"]["content"].map { |node| Zuhause::Document::Text.of(node) }
    end
    get "/p/#{@page.to_param}/draft?since=#{base.version}", as: :json
    assert_equal [ base.version + 2, "Tom Ruud" ], json.values_at("version", "by")
  end

  test "a text that the house has thinned away comes along with what builds on it" do
    base = @page.draft
    later = base.document.merge("content" => base.document["content"].map { |node| node.except("content") })
    3.times { |i| @page.reload.save_draft(State.new(title: base.title, document: later), base_version: base.version + i, by: @tom) }
    @page.drafts.where(version: base.version).delete_all
    mine = base.document.merge("content" => base.document["content"] + [ { "type" => "paragraph", "content" => [ { "type" => "text", "text" => "Mine." } ] } ])
    [ [ base.document, "mine-1" ], [ { "type" => "nonsense" }, "mine-2" ] ].each do |from, id|
      patch "/p/#{@page.to_param}/draft", params: { base_version: base.version, base: from, save_id: id, title: base.title, document: mine }, as: :json
      assert_response :success
      assert_includes Zuhause::Document::Text.of(json["document"]), "Mine."
    end
    assert_equal "Mine.", Zuhause::Document::Text.of(@page.drafts.find_by(save_id: "mine-1").document), "what Tom took away is gone"
  end

  test "no edition holds what two wrote in one place" do
    base = @page.draft
    %w[salt grit].zip([ @tom, @ida ]) do |word, who|
      inner = base.document["content"].first
      changed = base.document.merge("content" => [ inner.merge("content" => [ { "type" => "text", "text" => word } ]), *base.document["content"].drop(1) ])
      @page.reload.save_draft(State.new(title: base.title, document: changed), base_version: base.version, by: who)
    end
    assert_equal 1, Zuhause::Merging.open_in(@page.reload.draft.document)
    get "/p/#{@page.to_param}/publication/new", as: :json
    assert_match(/In 1 place two wrote different words/, json["words"].first)
    assert_no_difference("Edition.count") { post "/p/#{@page.to_param}/publication", params: { version: @page.draft.version }, as: :json }
    assert_response :unprocessable_entity
    assert_match(/Settle it, then publish/, json["error"])
    get "/p/#{@page.to_param}/preview"
    assert_select "ins.double", count: 2
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
