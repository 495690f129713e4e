require "test_helper"

# Templates, looks, the source form, preview, pasting, and what is told before publishing.
class LooksAndSourceTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  setup do
    @ida = person("Ida Karlow")
    @ben = person("Ben Holt")
    @room = new_room("On Board", keeper: @ida, open: true)
    @page = new_page("Gangway", above: @room, by: @ida, markdown: "# Ice\n\nSpread grit for <var>whom</var>.\n\n---\n\nThen salt.\n\n| a | b |\n| - | - |\n| 1 | \"x\" |")
    sign_in @ida
  end

  test "a page begins from each template that ships, and each is sound" do
    assert_equal 8, ShippedTemplate.all.size
    ShippedTemplate.all.each do |template|
      post "/p", params: { page: { title: template.title }, above: @room.public_id, template: template.key }
      page = Page.order(:id).last
      assert_equal Zuhause::Document::Ids.strip(template.document), Zuhause::Document::Ids.strip(page.draft.document), template.key
      assert_operator page.blanks, :>, 2
      assert_includes Page::Looks::ICONS, template.icon
    end
    get "/p/new"
    assert_select ".template-card svg.sketch rect"
  end

  test "a page is made a template; what begins with it is a copy that never changes with it" do
    patch "/p/#{@page.to_param}/template", params: { template: { description: "For gangways", whole_house: "0" } }
    get "/p/new?above=#{@room.public_id}"
    assert_select ".template-card", text: /Gangway\s+For gangways/
    elsewhere = new_room("Ashore", keeper: @ida)
    get "/p/new?above=#{elsewhere.public_id}"
    assert_select ".template-card", text: /For gangways/, count: 0
    post "/p", params: { page: { title: "New gangway" }, above: @room.public_id, template: @page.public_id }
    begun = Page.order(:id).last
    assert_equal Zuhause::Document::Text.of(@page.edition.document), Zuhause::Document::Text.of(begun.draft.document)
    assert_empty ids(begun.draft.document) & ids(@page.edition.document)
    assert_no_changes(-> { begun.reload.draft.document }) { save_text(@page, "Other.", by: @ida) && @page.reload.publish(version: @page.draft.version, by: @ida) }
    delete "/p/#{@page.to_param}/template"
    get "/p/new?above=#{@room.public_id}"
    assert_select ".template-card", text: /For gangways/, count: 0
  end

  test "a template that one may not read is not offered, and not taken by its id" do
    hidden = new_page("Wages", above: new_room("Pay", keeper: @ida), by: @ida)
    Template.create!(page: hidden, whole_house: true, created_at: Time.current)
    new_room("Ideas", keeper: @ben)
    sign_in @ben
    get "/p/new"
    assert_not_includes response.body, "Wages"
    post "/p", params: { page: { title: "Mine" }, above: Room.find_by!(name: "Ideas").public_id, template: hidden.public_id }
    assert_response :not_found
    assert_not Page.exists?(title: "Mine")
  end

  test "icon, language and cover; the cover opens to who sees the page, and to nobody else" do
    patch "/p/#{@page.to_param}/look", params: { page: { icon: "anchor", language: "ar", cover: Rack::Test::UploadedFile.new(Rails.root.join("test/files/dot.png"), "image/png") } }
    get "/p/#{@page.to_param}"
    assert_select ".text[lang=ar][dir=rtl]"
    cover = css_select("img.cover").first["src"]
    sign_in @ben
    get(cover)
    assert_response :success
    sign_out :person
    get(cover)
    assert_response :not_found
    sign_in @ida
    [ { icon: "../../secret" }, { language: "xx" }, { cover: Rack::Test::UploadedFile.new(StringIO.new("%PDF-1.4"), "image/png", original_filename: "a.pdf") } ].each do |wrong|
      patch "/p/#{@page.to_param}/look", params: { page: wrong }
      assert_response :unprocessable_entity, wrong.keys.first.to_s
    end
    patch "/p/#{@page.to_param}/look", params: { page: { icon: "", no_cover: "1" } }
    assert_equal [ nil, nil ], [ @page.reload.icon, @page.cover ]
  end

  test "a picture of one's own is the icon, for who sees the page and nobody else, and copies take it along" do
    patch "/p/#{@page.to_param}/look", params: { page: { own_icon: picture } }
    get "/p/#{@page.to_param}"
    shown = css_select("h1 img.icon-own").first["src"]
    assert_select ".plan img.icon-own[src='#{shown}']"
    copy = @page.reload.copy(to: @room, viewer: viewer(@ida), title: "Copy", below: false, publish: false)
    assert_match(/\Afile:/, copy.icon)
    assert_not_equal @page.icon, copy.icon, "of a file of its own"
    other = new_page("Other", above: @room, by: @ida)
    patch "/p/#{other.to_param}/look", params: { page: { icon: @page.icon } }
    assert_response :unprocessable_entity
    sign_in @ben
    get(shown)
    assert_response :success
    sign_out :person
    get(shown)
    assert_response :not_found
    sign_in @ida
    patch "/p/#{@page.to_param}/look", params: { page: { icon: "anchor", own_icon: Rack::Test::UploadedFile.new(StringIO.new("%PDF-1.4"), "image/png", original_filename: "a.pdf") } }
    assert_response :unprocessable_entity
    assert_select "#page_own_icon_error"
    patch "/p/#{@page.to_param}/look", params: { page: { icon: "anchor" } }
    assert_equal "anchor", @page.reload.icon
  end

  test "changing one paragraph of the source leaves every other id, and ids that are linked to are written" do
    ice = ids(@page.draft.document).first
    new_page("Other", above: @room, by: @ida, markdown: "[there](page:#{@page.public_id}##{ice})")
    get "/p/#{@page.to_param}/markdown/edit"
    text = css_select("textarea").first.text.delete_prefix("\n")
    assert_equal [ ice ], text.scan(/#([a-z0-9]{8})/).flatten
    before = ids(@page.draft.document)
    patch "/p/#{@page.to_param}/markdown", params: { text: text.sub("Spread grit", "Spread much more grit"), title: "Gangway in ice", base_version: @page.draft.version }
    assert_redirected_to "/p/#{@page.reload.to_param}/draft/edit"
    assert_equal before, ids(@page.draft.document)
    assert_equal [ "Gangway in ice", true ], [ @page.draft.title, Zuhause::Document::Text.of(@page.draft.document).include?("much more") ]
  end

  test "what the source cannot say is told by line, a newer text is not lost, and nothing live comes in" do
    version = @page.draft.version
    patch "/p/#{@page.to_param}/markdown", params: { text: "Fine.\n\n<script>alert(1)</script>\n\n[x](javascript:y)", title: "Gangway", base_version: version }
    assert_response :success
    assert_equal [ "Line 3:", "Line 5:" ], css_select(".source-reports li").map { |item| item.text[/Line \d+:/] }
    patch "/p/#{@page.to_param}/markdown", params: { text: "Mine.", title: "Gangway", base_version: version }
    assert_response :see_other
    words = Zuhause::Document::Text.of(@page.reload.draft.document)
    assert_includes words, "Mine."
    assert_includes words, "Fine."
    patch "/p/#{@page.to_param}/markdown", params: { text: "Mine.", title: " ", base_version: version + 2 }
    assert_response :unprocessable_entity
    get "/p/#{@page.to_param}/preview"
    assert_select ".text script", count: 0
  end

  test "a preview shows what a reader of that level would see" do
    open_page = new_page("Open", above: @room, by: @ida)
    closed = new_page("Wages", above: new_room("Pay", keeper: @ida), by: @ida)
    save_text(@page, "[one](page:#{open_page.public_id}) [two](page:#{closed.public_id})", by: @ida)
    Pages::PreviewsController::LEVELS.each do |level|
      get "/p/#{@page.to_param}/preview?as=#{level}"
      assert_equal level == "outside" ? [] : %w[one], css_select(".text a").map(&:text), level
    end
    own = new_page("Mine", above: new_room("Ideas", keeper: @ben), by: @ben)
    get "/p/#{own.to_param}/preview"
    assert_response :not_found
  end

  test "a preview tells a guest who writes nothing that is open to members alone" do
    members = new_page("Members", above: @room, by: @ida, markdown: "The safe stands behind the stove.")
    given = new_page("Given", above: @room, by: @ida)
    guest = person("Gerd Moll", role: "guest")
    @page.grant(holder(guest), :write)
    given.grant(holder(guest), :read)
    save_text(@page.reload, "[one](page:#{given.public_id}) [two](page:#{members.public_id})\n\n::: live_insert {page=\"#{members.public_id}\"}\n:::", by: @ida)
    { @ida => 2, guest => 1 }.each do |who, links|
      sign_in who
      Pages::PreviewsController::LEVELS.excluding("outside").each do |level|
        get "/p/#{@page.to_param}/preview?as=#{level}"
        assert_select ".text > p a", count: links
        assert_equal links == 2, response.body.include?("behind the stove"), level
        assert_equal links == 2, response.body.include?("members-#{members.public_id}"), level
      end
    end
  end

  test "a comparison names people, days and files as the page does" do
    save_text(@page, "Ask [](mention:#{@ben.public_id}) by [2026-12-01](date:2026-12-01).", by: @ida)
    get "/p/#{@page.to_param}/comparison?from=1&to=draft"
    assert_select ".mention", text: "Ben Holt"
    assert_select "time[datetime='2026-12-01']"
  end

  test "tables go out as CSV, of what one sees" do
    table = Zuhause::Document::Walk.blocks(@page.edition.document).find { |block| block["type"] == "table" }.dig("attrs", "id")
    get "/p/#{@page.to_param}/tables/#{table}"
    assert_equal "\uFEFFa,b\r\n1,\"\"\"x\"\"\"\r\n", response.body.force_encoding("UTF-8")
    get "/p/#{@page.to_param}/tables/zzzzzzzz"
    assert_response :not_found
  end

  test "what is pasted is read in the form that tells most" do
    { { text: "a\tb\nc\td", html: "" } => "table", { text: "x", html: "<table><tr><td>x</table>" } => "table", { text: "# x", html: "<div><span>#</span> x</div>" } => "heading",
      { text: "x", html: "<h3>x</h3>" } => "heading", { grid: "a;b\n1;2" } => "table", { text: "x\ty" } => "paragraph" }.each do |pasted, type|
      post "/pastes", params: pasted, as: :json
      assert_equal type, response.parsed_body["content"].first["type"], pasted.inspect
    end
    post "/pastes", params: { text: "x", html: "<p onclick=x>a <img src=x onerror=y><a href='javascript:z'>b</a></p><script>c</script>" }, as: :json
    assert_no_match(/script|onclick|onerror/, response.parsed_body["content"].to_json)
    post "/pastes", params: { text: "see", html: "<p>see <a href='#{root_url}p/#{@page.to_param}'><b>it</b></a></p>" }, as: :json
    assert_equal "page:#{@page.public_id}", response.parsed_body["content"].first["content"].last["marks"].first.dig("attrs", "target")
    post "/pastes", params: { html: "x" * (Zuhause::Document::Schema::MAX_BYTES + 1) }, as: :json
    assert_response :content_too_large
  end

  test "days are read as they are said" do
    travel_to Time.zone.local(2026, 11, 23, 12) do
      get "/days?q=in two weeks"
      assert_equal [ "2026-12-07" ], response.parsed_body.map { |choice| choice["date"] }
      get "/days?q=to"
      assert_equal %w[2026-11-23 2026-11-24], response.parsed_body.map { |choice| choice["date"] }.first(2)
    end
  end

  test "before publishing one is told of blanks, of where it is shown, and of passages that would be lost" do
    save_text(@page, "::: passage {name=\"Salt\"}\n\nSalt first.\n\n:::\n\n<var>who</var>", by: @ida)
    @page.reload.publish(version: @page.draft.version, by: @ida)
    passage = Zuhause::Document::Walk.blocks(@page.edition.document).find { |block| block["type"] == "passage" }.dig("attrs", "id")
    new_page("Elsewhere", above: @room, by: @ida, markdown: "::: live_insert {page=\"#{@page.public_id}\" passage=\"#{passage}\"}\n:::")
    assert_equal [ "It is shown on 1 page.", "1 blank has not been filled in." ], told
    save_text(@page, "Gone.", by: @ida)
    assert_equal [ "It is shown on 1 page.", "The passage “Salt” is gone from it; 1 page shows it and will say that it is gone." ], told
  end

  private

  def picture
    Rack::Test::UploadedFile.new(Rails.root.join("test/files/dot.png"), "image/png")
  end

  def told
    get "/p/#{@page.to_param}/publication/new", headers: { "Accept" => "application/json" }
    response.parsed_body["words"]
  end

  def ids(document)
    Zuhause::Document::Walk.blocks(document).filter_map { |block| block.dig("attrs", "id") }
  end

  test "few bytes that would become very much are refused in words, at each door, and nothing is lost" do
    page, before = @page, @page.draft.digest
    bomb = "|#{"a|" * 600}\n|#{"-|" * 600}\n#{"|b|\n" * 600}"
    post "/pastes", params: { text: bomb }, as: :json
    assert_response :unprocessable_entity
    assert_match(/at most 50,000 cells/, response.parsed_body["error"])
    post "/pastes", params: { text: "", html: "<table>#{"<tr><td colspan=100 rowspan=100>x" * 600}</table>" }, as: :json
    assert_response :unprocessable_entity
    post "/p/#{page.to_param}/markdown", params: { text: bomb }, as: :json
    assert_match(/at most 50,000 cells/, response.parsed_body.first["words"])
    patch "/p/#{page.to_param}/markdown", params: { text: bomb, title: "Gangway", base_version: page.draft.version }
    assert_response :unprocessable_entity
    assert_select "[role=alert]", text: /at most 50,000 cells/
    assert_includes css_select("textarea").text, "|a|a|a|"
    assert_equal before, page.reload.draft.digest
  end
end
