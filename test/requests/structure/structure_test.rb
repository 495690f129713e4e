require "test_helper"

class StructureRequestsTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @room = new_room("On Board", keeper: @ana, open: true)
    @drills, @signals = %w[Drills Signals].map { |title| new_page(title, above: @room, by: @ana) }
    sign_in(@ben)
  end

  test "an act on several pages is done to all or to none" do
    @drills.grant(holder(@ben), :write)
    post "/selections/binning", params: { pages: [ @drills.public_id, @signals.public_id ], confirmed: 1 }
    assert_redirected_to "/pages"
    assert_match(/you may not do that to Signals/, flash[:alert])
    assert_not @drills.reload.binned?
    post "/selections/tagging", params: { pages: [ @drills.public_id ], tags: "#{"x" * 50}, ok" }
    assert_response :unprocessable_entity
    assert_select ".said-alert"
    assert_equal 0, Tag.count
    post "/selections/pin", params: { pages: [ "zzzzzzzzzz" ] }
    assert_equal "Choose at least one page.", flash[:alert]
  end

  test "a new door is painted as fewest are of those that one sees" do
    new_room("Hidden", keeper: @ana).update!(colour: Room::COLOURS[1])
    Room.where(name: "On Board").update_all(colour: Room::COLOURS[0])
    [ @ana, @ben ].each { |one| Room.own_of(one).update!(colour: Room::COLOURS.last) } # else by the number of the person
    get "/rooms/new"
    assert_select "input[name='room[colour]'][checked][value=#{Room::COLOURS[1]}]"
    sign_in(@ana)
    get "/rooms/new"
    assert_select "input[name='room[colour]'][checked][value=#{Room::COLOURS[2]}]"
  end

  test "moving several pages says first what it opens, and refuses a page under itself" do
    sign_in(@ana)
    own = new_room("Ideas", keeper: @ana)
    params = { pages: [ @drills.public_id, @signals.public_id ], above: own.public_id }
    post "/selections/placement", params: params
    assert_select ".exposure", /This closes 2 pages to 1 person \(Ben Holt\)/
    assert_equal @room, @drills.reload.room
    post "/selections/placement", params: params.merge(confirmed: 1)
    assert_equal [ own, own ], [ @drills, @signals ].map { |page| page.reload.room }
    assert_equal 2, Happening.of_access.where(act: "moved").count
    post "/selections/placement", params: { pages: [ @drills.public_id ], above: @drills.public_id }
    assert_response :unprocessable_entity
  end

  test "giving a page says which inserts on it are withheld" do
    wages = new_page("Wages", above: new_room("Pay", keeper: @ana), by: @ana)
    own = new_page("Around", above: new_room("Ideas", keeper: @ana), by: @ana, markdown: "::: live_insert {page=\"#{wages.public_id}\"}\n:::")
    sign_in(@ana)
    post "/p/#{own.to_param}/access_grants", params: { holders: [ "person:#{@ben.public_id}" ], level: "read" }
    assert_select ".exposure", /One live insert on these pages will not be shown to some of them/
    wages.grant(holder(@ben), :read)
    post "/p/#{own.to_param}/access_grants", params: { holders: [ "person:#{@ben.public_id}" ], level: "read" }
    assert_select ".exposure", text: /live insert/, count: 0
    get "/p/#{own.to_param}/withheld_insert?page=#{wages.public_id}", as: :json
    assert_equal 0, response.parsed_body["count"]
  end

  test "one goes back only to places in this house" do
    post "/selections/pin", params: { pages: [ @drills.public_id ], back: "https://evil.example/" }
    assert_redirected_to "/pages"
  end

  test "a room says its name in the language of whoever looks" do
    @ben.update!(language: "en-US")
    sign_in @ana
    patch "/rooms/#{@room.public_id}", params: { room: { in_languages: { "en-US" => { name: "Aboard" }, "xx" => { name: "Dropped" } } } }
    assert_equal "On Board", Nokogiri::HTML(get("/rooms/#{@room.public_id}") && response.body).at("h1").text
    patch "/rooms/#{@room.public_id}", params: { room: { name: "On Board", in_languages: { "en-US" => { name: "x" * 81 } } } }
    assert_response :unprocessable_entity
    assert_select "#in_languages_error"

    sign_in @ben
    get "/rooms/#{@room.public_id}"
    assert_select "h1", "Aboard"
  end

  test "in an archived room nothing is written, through any door" do
    @room.grant(holder(@ben), :write)
    @room.archive
    version = @drills.draft.version
    { post: [ "/p?above=#{@room.public_id}", "/p/#{@drills.to_param}/publication", "/p/#{@drills.to_param}/binning", "/rooms/#{@room.public_id}/signposts", "/p/#{@drills.to_param}/copy?above=#{@room.public_id}&title=x" ],
      patch: [ "/p/#{@drills.to_param}/title", "/p/#{@drills.to_param}/tagging", "/p/#{@drills.to_param}/placement?above=#{@signals.public_id}" ] }.each do |verb, paths|
      paths.each do |path|
        send(verb, path, params: { page: { title: "X" }, version: version, tags: "x", signpost: { title: "x" } })
        assert_response :forbidden, path
      end
    end
    patch "/p/#{@drills.to_param}/draft", params: { base_version: version, save_id: "save-1", title: "X", document: Zuhause::Document.empty }, as: :json
    assert_response :forbidden
    get "/p/new?above=#{@room.public_id}"
    assert_select "#above option[value='#{@room.public_id}']", 0
    get "/p/#{@drills.to_param}"
    assert_response :success
    assert_equal version, @drills.reload.draft.version
  end

  test "nobody shuts themselves out of a page with its own list" do
    @drills.make_own_list(by: @ana)
    @drills.grant(holder(@ben), :keep)
    @drills.grant(holder(:everyone), :none)
    grant = @drills.access_grants.find_by!(person: @ben)
    delete "/p/#{@drills.to_param}/access_grants/#{grant.id}", params: { confirmed: 1 }
    assert_match(/That would shut you out/, flash[:alert])
    assert AccessGrant.exists?(grant.id)
    sign_in(@ana)
    delete "/p/#{@drills.to_param}/access_grants/#{grant.id}", params: { confirmed: 1 }
    assert_not AccessGrant.exists?(grant.id)
  end

  test "tags, lists and choices of places tell nothing of what is hidden" do
    pay = new_room("Pay", keeper: @ana)
    wages = new_page("Wages of all", above: pay, by: @ana)
    wages.tag_with([ "hush" ])
    @drills.tag_with([ "hush" ])
    Reading.record(wages, by: @ben)
    Pin.create!(person: @ben, page: wages)
    pay.update!(front_page: wages)
    House.current.update!(front_page: wages)
    [ "/", "/pages", "/pages?of=read", "/pages?of=bin", "/tags", "/tags/#{Tag.first.public_id}", "/place_choices?q=wages", "/rooms/#{@room.public_id}/pages", "/rooms/#{@room.public_id}/branches" ].each do |path|
      get path
      assert_response :success
      assert_not_includes response.body, "Wages of all", path
    end
    get "/rooms/#{@room.public_id}/branches?above=#{wages.public_id}"
    assert_response :not_found
    wages.tag_with([ "only here" ])
    get "/tags/#{Tag.find_by!(name: "only here").public_id}"
    assert_response :not_found
  end

  test "the number of queries does not grow with the pages listed" do
    get "/p/#{@drills.to_param}"
    counts = [ 3, 12 ].map do |more|
      more.times { |i| new_page("Page #{more} #{i}", above: @room, by: @ana).tag_with([ "tag #{i}" ]) }
      [ "/pages", "/rooms/#{@room.public_id}", "/p/#{@drills.to_param}", "/tags" ].map { |path| get(path) && queries { get path } }
    end
    assert_equal counts.first, counts.last
  end

  test "a front page that an administrator does not see is not lost by saving the settings" do
    eve = person("Eve Lund", office: "administrator")
    hidden = new_page("Welcome", above: new_room("Hall", keeper: @ana), by: @ana)
    House.current.update!(front_page: hidden)
    sign_in(eve)
    patch "/house", params: { house: { name: "Other", front_page: "" } }
    assert_equal [ "Other", hidden ], [ House.current.name, House.current.front_page ]
  end
end
