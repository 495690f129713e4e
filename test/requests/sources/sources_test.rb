require "test_helper"

class SourcesTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  setup do
    @ida = person("Ida Karlow")
    @guest = person("Gus Quay", role: "guest")
    @room = new_room("On Board", keeper: @ida, open: true)
    @salt = Source.enter({ title: "Salt and steel", author: "Berg, Ann", address: "https://www.x.example/salt/?b=2&a=1&utm_source=y#top", date: "2021" }, by: @ida)
    @ice = Source.enter({ title: "Ice <on> quays" }, by: @ida)
  end

  test "the same address entered again is recognised" do
    [ "http://x.example/salt?a=1&b=2", "https://X.example/salt/?a=1&b=2", "https://www.x.example/salt?utm_campaign=z&b=2&a=1" ].each do |address|
      assert_equal @salt, Source.enter({ title: "Other", address: address }, by: @ida), address
    end
    [ "https://x.example/salt?a=1", "https://x.example/Salt?a=1&b=2" ].each { |address| assert_predicate Source.enter({ title: "Other", address: address }, by: @ida), :previously_new_record? }
    assert_equal @ice, Source.enter({ title: "Ice <on> quays" }, by: @ida)
    sign_in @ida
    post "/sources", params: { source: { title: "Again", address: "x.example" } }, as: :json
    assert_response :unprocessable_entity
    post "/sources", params: { source: { title: "Again", address: "http://x.example/salt/?a=1&b=2" } }, as: :json
    assert_equal [ @salt.public_id, true ], response.parsed_body.values_at("id", "known")
  end

  test "uses are numbered as they come, merged, listed once and lead back" do
    page = new_page("Grit", above: @room, by: @ida, markdown: "Salt[p. 3](cite:#{@salt.public_id}) and ice[](cite:#{@ice.public_id}) and salt[](cite:#{@salt.public_id}).")
    assert_equal [ @salt, @ice ].map(&:public_id).sort, page.links.from_editions.where(use: "cite").pluck(:target_id).uniq.sort
    get_page page
    assert_equal [ "[1, p. 3]", "[2]", "[1]" ], css_select(".text .cite").map(&:text)
    assert_equal [ "Berg, Ann. Salt and steel. 2021 ↑1 ↑2", "Ice <on> quays ↑" ], css_select(".references-list li").map { |item| item.text.squish }
    assert_equal css_select(".cite").map { |cite| "##{cite["id"]}" }.sort, css_select(".references-back a").map { |link| link["href"] }.sort
    assert_select "#source-1 a.link-away[href^='https://www.x.example/']"
  end

  test "a list stands where its writer put it, once, and what is shown live joins in" do
    inner = new_page("Ice", above: @room, by: @ida, markdown: "Ice[](cite:#{@ice.public_id}).\n\n::: references\n:::")
    page = new_page("Grit", above: @room, by: @ida, markdown: "::: references {columns=\"2\"}\n:::\n\nSalt[](cite:#{@salt.public_id}).\n\n::: live_insert {page=\"#{inner.public_id}\"}\n:::")
    get_page page
    assert_select ".references-list", count: 1
    assert_select ".references-2 li", count: 2
    assert_equal [ "[1]", "[2]" ], css_select(".text .cite").map(&:text)
  end

  test "a correction shows on every page at once; what is cited is not taken out" do
    page = new_page("Grit", above: @room, by: @ida, markdown: "Salt[](cite:#{@salt.public_id}).")
    sign_in @ida
    patch "/sources/#{@salt.public_id}", params: { source: { title: "Steel and salt", date: "in May" } }
    assert_response :unprocessable_entity
    assert_select ".wrong"
    patch "/sources/#{@salt.public_id}", params: { source: { title: "Steel and salt" } }
    get_page page
    assert_select ".references-list", text: /Steel and salt/
    assert_no_difference("Source.count") { delete "/sources/#{@salt.public_id}" }
    assert_difference("Source.count", -1) { delete "/sources/#{@ice.public_id}" }
  end

  test "guests find what they entered and what is cited where they read" do
    page = new_page("Grit", above: @room, by: @ida, markdown: "Salt[](cite:#{@salt.public_id}).")
    sign_in @guest
    get "/sources?q=s", as: :json
    assert_empty response.parsed_body
    page.grant(holder(@guest), :read)
    get "/sources", as: :json
    assert_equal [ @salt.public_id ], response.parsed_body.map { |source| source["id"] }
    get "/sources/#{@salt.public_id}/edit"
    assert_response :forbidden
    [ @ice.public_id, "zzzzzzzzzz" ].each { |id| get("/sources/#{id}/edit") && assert_response(:not_found) }
    get "/source_list?form=csl"
    assert_equal [ "Salt and steel" ], JSON.parse(response.body).map { |work| work["title"] }
  end

  test "lists go out and come in again without doubles" do
    sign_in @ida
    %w[bibtex csl].each do |form|
      get "/source_list?form=#{form}"
      file = Rack::Test::UploadedFile.new(StringIO.new(response.body), "text/plain", original_filename: "list")
      assert_no_difference("Source.count") { post "/source_list", params: { file: file } }
      assert_equal "No source is new. 2 were there already.", flash[:notice]
    end
    more = Rack::Test::UploadedFile.new(StringIO.new("@book{a, title = {New one}, year = 2001}\n@book{b, title = {#{"x" * 400}}, url = {nowhere}}"), "text/plain", original_filename: "list.bib")
    assert_difference("Source.count", 1) { post "/source_list", params: { file: more } }
    assert_match "Not taken in", flash[:notice]
    post "/source_list", params: { file: Rack::Test::UploadedFile.new(StringIO.new("hello"), "text/plain", original_filename: "list.bib") }
    assert_match "neither a BibTeX file", flash[:alert]
  end

  private

  def get_page(page)
    sign_in @ida
    get "/p/#{page.to_param}"
    assert_response :success
  end
end
