require "test_helper"

class WritingRequestsTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  setup do
    @ana = person("Ana Berg")
    @room = new_room("On Board", keeper: @ana)
    @page = new_page("Gangway in ice", above: @room, by: @ana)
    sign_in @ana
  end

  test "a title that will not do is refused beside its field, and what was typed is kept" do
    { "" => "The title is needed", "x" * 201 => "may have at most 200 characters" }.each do |title, message|
      assert_no_difference(-> { Page.count }) { post "/p", params: { above: @room.public_id, page: { title: title } } }
      assert_response :unprocessable_entity
      assert_select ".field-wrong .wrong#page_title_error", /#{message.delete_prefix("The title ")}/i
      assert_select "input[aria-invalid='true'][aria-describedby~='page_title_error']"
      assert_select "input[name='page[title]'][value=?]", title if title.present?
      assert_select "option[selected][value='#{@room.public_id}']"
    end
  end

  test "a room needs a name and a colour that there is" do
    get "/"
    assert_no_difference(-> { Room.count + AccessGrant.count }) { post "/rooms", params: { room: { name: "", colour: "moss" } } }
    assert_response :unprocessable_entity
    assert_select ".wrong"
    assert_no_difference(-> { Room.count }) { post "/rooms", params: { room: { name: "X", colour: "url(x)" } } }
  end

  test "a save answers with its version, and the same save again with the same" do
    2.times do
      save({ save_id: "save-1", base_version: 2 })
      assert_response :ok
      assert_equal 3, response.parsed_body["version"]
    end
    assert_equal %w[0], response.parsed_body["new_ids"].keys
  end

  test "a save on an older version is joined with the newest" do
    save({ save_id: "save-1", base_version: 2 }, "Newer.")
    save({ save_id: "save-2", base_version: 2 }, "Mine <b>.")
    assert_response :success
    assert_equal 4, response.parsed_body["version"]
    assert_equal %w[Mine Newer b], Zuhause::Document::Text.of(response.parsed_body["document"]).scan(/\w+/).sort
  end

  test "a document that does not fit is refused naming the node" do
    save({ document: { type: "doc", content: [ { type: "heading", attrs: { level: 9 } } ] } })
    assert_response :unprocessable_entity
    assert_equal [ "a heading has no valid level." ], response.parsed_body["errors"]["document"]
    save({ title: "" })
    assert_response :unprocessable_entity
    assert response.parsed_body["errors"]["title"]
    save({ save_id: "x" })
    assert_response :unprocessable_entity
    [ "null", "{", "[]", "{\"document\":#{"[" * 200}#{"]" * 200}}" ].each do |body|
      patch "/p/#{@page.to_param}/draft", params: body, headers: { "Content-Type" => "application/json", "Accept" => "application/json" }
      assert_includes [ 400, 422 ], response.status, body[0, 20]
    end
    assert_equal 2, @page.drafts.count
  end

  test "publishing names the version, and says when there is a newer one or nothing new" do
    post_json "/p/#{@page.to_param}/publication", version: 2
    assert_equal [ 422, "There is nothing new to publish." ], [ response.status, response.parsed_body["error"] ]
    save_text(@page, "New.", by: @ana)
    post_json "/p/#{@page.to_param}/publication", version: 2
    assert_response :conflict
    post_json "/p/#{@page.to_param}/publication", version: 3, note: "x" * 301
    assert_response :unprocessable_entity
    post_json "/p/#{@page.to_param}/publication", version: 3, note: "Better", small: "1"
    assert_response :created
    assert_equal [ 2, true ], @page.reload.edition.then { |edition| [ edition.number, edition.small ] }
  end

  test "the picker offers pages by their words, the beginning first" do
    [ "Ice and the gangway", "Gangway lights", "100% grit_" ].each { |title| new_page(title, above: @room, by: @ana) }
    get "/page_choices", params: { q: "gang" }, as: :json
    assert_equal [ "Gangway in ice", "Gangway lights", "Ice and the gangway" ], titles
    get "/page_choices?q=%25"
    assert_equal 4, titles.size, "a sign alone is no word"
  end

  test "moving is refused where it may not be, and below itself" do
    sub = new_page("Sand", above: @page, by: @ana)
    patch "/p/#{@page.to_param}/placement", params: { above: sub.public_id }
    assert_response :unprocessable_entity
    assert_select ".said-alert", /cannot stand below itself/
    ben = person("Ben Holt")
    other = new_room("Ashore", keeper: ben)
    patch "/p/#{@page.to_param}/placement", params: { above: other.public_id }
    assert_response :not_found
    other.grant(holder(@ana), :read)
    patch "/p/#{@page.to_param}/placement", params: { above: other.public_id }
    assert_response :unprocessable_entity
    assert_equal @room, @page.reload.room
    other.grant(holder(@ana), :write)
    patch "/p/#{@page.to_param}/placement", params: { above: other.public_id }
    assert_select ".exposure", "This opens 2 pages to 1 person (Ben Holt) who could not get in before."
    assert_equal @room, @page.reload.room
    patch "/p/#{@page.to_param}/placement", params: { above: other.public_id }, as: :json
    assert_response :precondition_required
    patch "/p/#{@page.to_param}/placement", params: { above: other.public_id, confirmed: 1 }
    assert_equal [ "moved", 1 ], Happening.of_access.last.then { |event| [ event.act, event.details["opened"] ] }
    assert_equal other, @page.reload.room
  end

  test "access is given, changed and taken, and the last keeper stays" do
    ben = person("Ben Holt")
    at = "/rooms/#{@room.public_id}/access_grants"
    post at, params: { holders: [ "person:#{ben.public_id}" ], level: "write" }
    assert_select ".exposure", "This opens 1 page to 1 person (Ben Holt) who could not get in before."
    assert_not @room.access_grants.exists?(person: ben), "nothing is done before it has been seen"
    assert_equal :none, viewer(ben).level_on(@page.reload)
    assert_select "form [name='holders[]'][value=?]", "person:#{ben.public_id}"
    post at, params: { holders: [ "person:#{ben.public_id}" ], level: "write", confirmed: 1 }
    grant = @room.access_grants.find_by!(person: ben)
    patch "#{at}/#{grant.id}", params: { level: "read" }
    assert_select ".exposure", "This changes what 1 person (Ben Holt) may do, on 1 page."
    patch "#{at}/#{grant.id}", params: { level: "read", confirmed: 1 }
    assert_equal :read, viewer(ben).level_on(@page.reload)
    delete "#{at}/#{grant.id}"
    assert_select ".exposure", "This closes 1 page to 1 person (Ben Holt) who can get in now."
    delete "#{at}/#{grant.id}", params: { confirmed: 1 }
    assert_equal :none, viewer(ben).level_on(@page.reload)
    assert_equal %w[given changed taken], Happening.of_access.order(:id).pluck(:act)
    get "/rooms/#{@room.public_id}/access"
    assert_select ".given li", /Ana Berg gave Ben Holt “may write” on the room\. It opened pages to 1 person\./
    own = @room.access_grants.find_by!(person: @ana)
    delete "/rooms/#{@room.public_id}/access_grants/#{own.id}"
    assert_response :unprocessable_entity
    assert_select ".said-alert", /nobody who keeps it/
    [ { holders: [], level: "read" }, { holders: [ "person:nobody" ], level: "read" }, { holders: [ "everyone" ], level: "rule" }, { holders: [ "anyone" ], level: "read" } ].each do |params|
      assert_no_difference(-> { AccessGrant.count }) { post "/rooms/#{@room.public_id}/access_grants", params: params }
      assert_response :unprocessable_entity
    end
  end

  test "checking a person answers why they can or cannot get in" do
    ben = person("Ben Holt")
    deck = group("Deck", ben)
    @room.grant(holder(deck), :write)
    get "/p/#{@page.to_param}/access", params: { person: ben.public_id }
    assert_select "[role=status]", /Ben Holt may write: through Deck, On Board\./
    @page.make_own_list(by: @ana)
    @page.reload.grant(holder(deck), :none)
    get "/p/#{@page.to_param}/access", params: { person: ben.public_id }
    assert_select "[role=status]", /Ben Holt cannot get in\..*would have “may write” through what is given to Group Deck \(On Board\), but an own list takes nothing from there/m
  end

  test "an own list says what it closes, which is nothing at first" do
    post "/p/#{@page.to_param}/own_list"
    assert_predicate @page.reload, :own_list?
    @room.reload.grant(holder(person("Ben Holt")), :read)
    delete "/p/#{@page.to_param}/own_list"
    assert_select ".exposure", /opens 1 page to 1 person \(Ben Holt\)/
    assert_predicate @page.reload, :own_list?
    delete "/p/#{@page.to_param}/own_list", params: { confirmed: 1 }
    assert_not @page.reload.own_list?
  end

  test "one-click sign-in is only in a demo house, and no form can make a house one" do
    rosa = person("Rosa Tamm", office: "administrator")
    sign_in rosa
    patch "/house", params: { house: { name: "Other", demo: "1" } }
    assert_not House.current.reload.demo?
    sign_out :person
    get "/sign-in"
    assert_select ".demo-person", 0
    House.current.update!(demo: true)
    get "/sign-in"
    assert_select ".demo-person", 2
    post "/demo_session", params: { person: @ana.public_id }
    follow_redirect!
    assert_select ".me[aria-label='You: Ana Berg']"
    @ana.update!(suspended_at: Time.current)
    reset!
    post "/demo_session", params: { person: @ana.public_id }
    assert_response :not_found
  end

  test "an administrator cannot make an owner, nor the owner anything less" do
    ida = person("Ida Karlow", office: "owner")
    sign_in person("Rosa Tamm", office: "administrator")
    patch "/people/#{@ana.public_id}", params: { person: { name: "Ana", office: "owner" } }
    patch "/people/#{ida.public_id}", params: { person: { name: "Ida", office: "none" } }
    assert_equal %w[none owner], [ @ana, ida ].map { |each| each.reload.office }
  end

  test "signing in is remembered where asked, and leads nowhere else" do
    sign_out :person
    post "/sign-in", params: { person: { email: @ana.email.upcase, password: HouseBuilding::PASSWORD, remember_me: "1" }, return_to: "https://elsewhere.example" }
    assert_redirected_to "/"
    assert_match(/remember_person_token=.*httponly/i, Array(response.headers["set-cookie"]).join("\n"))
  end

  private

  def save(changes, text = "Words.")
    document = { type: "doc", content: [ { type: "paragraph", content: [ { type: "text", text: text } ] } ] }
    body = { base_version: 2, save_id: "save-0", title: "Gangway in ice", document: document }.merge(changes)
    patch "/p/#{@page.to_param}/draft", params: body, as: :json
  end

  def post_json(path, **params)
    post path, params: params, as: :json
  end

  def titles
    response.parsed_body.map { |choice| choice["title"] }
  end
end
