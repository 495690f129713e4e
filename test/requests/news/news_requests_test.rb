require "test_helper"

# News, following and stopping, through their doors.
class NewsRequestsTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @room = new_room("On Board", keeper: @ana, open: true)
    @page = new_page("Gangway", above: @room, by: @ana)
    sign_in @ben
  end

  test "following by one click, with what is below, and stopping" do
    get "/p/#{@page.to_param}"
    assert_select "form[action='#{page_follow_path(@page)}'] button", text: "Follow"
    post "/p/#{@page.to_param}/follow"
    get "/p/#{@page.to_param}"
    assert_select ".follow summary", text: "Followed"
    post "/p/#{@page.to_param}/follow", params: { below: 1 }
    assert_predicate Follow.of(@ben, @page), :below?
    delete "/p/#{@page.to_param}/follow"
    assert_predicate Follow.of(@ben, @page), :stopped?
    [ room_follow_path(@room), tag_follow_path(@page.tag_with([ "ice" ], by: @ana) && Tag.find_by!(name: "ice")) ].each { |path| post(path) && assert_response(:see_other) }
    assert_equal 2, Follow.on.where(person: @ben).count
  end

  test "news stand in the roof with their number, say why, and are marked as seen one by one and all" do
    Follow.begin(@ben, @room)
    publish
    other = new_page("Ice", above: @room, by: @ana)
    get "/news"
    assert_select ".act-count", text: "2"
    assert_select ".news li", text: /Gangway.*Ana Berg changed it.*You follow it/m
    patch "/news", params: { place: @page.public_id }
    get "/news"
    assert_select ".act-count", text: "1"
    assert_select ".news .row-main", text: "Ice"
    patch "/news"
    get "/news"
    assert_select ".act-count", 0
    assert_select ".empty", text: "You have looked at everything."
    closed = new_page("Wages", above: new_room("Pay", keeper: @ana), by: @ana)
    [ "0" * 10, closed.public_id ].each { |id| patch("/news", params: { place: id }) && assert_response(:not_found) }
    assert_equal 1, Telling.where(happening: Happening.where(page: other)).count
  end

  test "nobody marks what others have been told" do
    Follow.begin(@ben, @room)
    publish
    sign_in @ana
    patch "/news"
    assert_equal 1, Telling.where(person: @ben).unseen.count
  end

  test "coming back to a page says what has changed since, until it has been read" do
    get "/p/#{@page.to_param}"
    travel 1.day
    publish
    get "/p/#{@page.to_param}"
    assert_select ".said", text: /Changed since you were here on .*, by Ana Berg\./
    assert_select ".said a[href='#{page_comparison_path(@page, from: 1, to: 2)}']"
    travel 1.hour
    get "/p/#{@page.to_param}"
    assert_select ".said", text: /Changed since/, count: 0
  end

  test "where a page differs from what was read is told to who may read it, of editions alone" do
    publish
    get "/p/#{@page.to_param}/since", params: { from: 1 }
    assert_response :success
    marks = response.parsed_body["marks"]
    assert_equal response.parsed_body["all"], marks.size
    assert_predicate marks, :any?
    %w[draft v1 9 x].each do |from|
      get "/p/#{@page.to_param}/since", params: { from: from }
      assert_response :not_found, from
    end
    @page.make_own_list(by: @ana)
    @page.reload.grant(holder(:everyone), :none)
    get "/p/#{@page.to_param}/since", params: { from: 1 }
    assert_response :not_found
  end

  test "a room says how many of its pages have changed since somebody read them" do
    get "/p/#{@page.to_param}"
    travel 1.day
    publish
    get "/rooms/#{@page.room.public_id}"
    assert_select ".said a[href$='of=changed']"
    get "/p/#{@page.to_param}"
    get "/rooms/#{@page.room.public_id}"
    assert_select ".said a[href$='of=changed']", 0
  end

  test "how one is told is chosen, and what makes no sense is refused" do
    get "/profile/news/edit"
    assert_response :success
    patch "/profile/news", params: { news_setting: { way_following: "weekly", letter_hour: "8", quiet_from: "22", quiet_until: "6", follows_own: "0" } }
    setting = NewsSetting.of(@ben)
    assert_equal [ :weekly, 8, 22, 6, false, :at_once ], [ setting.way(:following), setting.letter_hour, setting.quiet_from, setting.quiet_until, setting.follows_own, setting.way(:named) ]
    [ { way_following: "hourly" }, { letter_hour: "25" }, { quiet_from: "22", quiet_until: "" } ].each do |wrong|
      patch "/profile/news", params: { news_setting: wrong }
      assert_response :unprocessable_entity
    end
  end

  test "a mail's address stops without signing in, by a form or by a mail program" do
    sign_out :person
    token = Stopping.token(@ben, target: @page)
    get "/stop/#{token}"
    assert_select ".lead", text: /Ben Holt/
    assert_no_match(/Gangway/, response.body)
    post "/stop/#{token}", params: { "List-Unsubscribe" => "One-Click" }
    assert_response :success
    assert_predicate Follow.of(@ben, @page), :stopped?
    get "/stop/#{token.reverse}"
    assert_response :not_found
  end

  test "feeds of news and of latest changes, at a private address that can be ended" do
    Follow.begin(@ben, @room)
    publish
    post "/feed_key", params: { of: "news" }
    news, changes = %w[news changes].map { |of| "/feeds/#{FeedKey.of(@ben).token}/#{of}" }
    sign_out :person
    get news
    assert_select "entry title", text: "Ana Berg changed “Gangway”"
    get changes
    assert_select "entry title", text: "Gangway"
    FeedKey.delete_all
    [ news, changes ].each { |address| get(address) && assert_response(:not_found) }
  end

  test "beside publishing one says whether one follows, and nothing said leaves it as it is" do
    @room.grant(holder(@ben), :write)
    publication = lambda do |**params|
      save_text(@page.reload, "Words #{SecureRandom.hex(3)}.", by: @ben)
      post "/p/#{@page.to_param}/publication", params: { version: @page.reload.draft.version, **params }
      Follow.of(@ben, @page)&.stopped?
    end
    assert_equal [ true, true, false, false ], [ publication.call(follow: "0"), publication.call, publication.call(follow: "1"), publication.call ]
    save_text(@page.reload, "Last words.", by: @ben)
    get "/p/#{@page.to_param}/publication/new"
    assert_select "input[type=checkbox][name=follow][checked]"
  end

  test "a feed of what is said to a page, of what its owner may read" do
    note(@page, @page.edition.state.page_text.blocks.first.text.split.first, by: @ana, body: "Salt here?")
    post "/feed_key", params: { page_id: @page.public_id, of: "talk" }
    follow_redirect!
    address = "/feeds/#{FeedKey.of(@ben).token}/p/#{@page.public_id}/talk"
    assert_select ".said", text: /#{address}/
    sign_out :person
    get address
    assert_select "entry title", text: "Salt here?"
    @room.grant(holder(:everyone), :none)
    get address
    assert_response :not_found
  end

  test "latest changes by room and person, with small ones on demand" do
    publish(small: true)
    other = new_page("Wages", above: new_room("Ashore", keeper: @ben), by: @ben)
    titles = ->(**params) { get("/changes", params: params) && css_select(".rows .row-main").map(&:text) }
    assert_equal %w[Wages Gangway], titles.call
    assert_equal %w[Wages Gangway Gangway], titles.call(small: "1")
    assert_equal [ "Gangway" ], titles.call(room: @room.public_id)
    assert_equal [ "Wages" ], titles.call(who: @ben.public_id)
    sign_in @ana
    assert_equal [ "Gangway" ], titles.call, other.title
  end

  test "keepers see who has read a page, unless the house ends it" do
    get "/p/#{@page.to_param}"
    get "/p/#{@page.to_param}/readers"
    assert_response :forbidden
    sign_in @ana
    get "/p/#{@page.to_param}/readers"
    assert_select ".rows li", text: /Ben Holt/
    House.current.update!(tells_readers: false)
    get "/p/#{@page.to_param}/readers"
    assert_response :not_found
  end

  test "a notice is given by who keeps the page, to a group or a room that there is" do
    deck = group("Deck", @ben)
    post "/p/#{@page.to_param}/notices", params: { to: "group:#{deck.public_id}", words: "Read it" }
    assert_response :forbidden
    sign_in @ana
    post "/p/#{@page.to_param}/notices", params: { to: "group:none", words: "Read it" }
    assert_response :unprocessable_entity
    post "/p/#{@page.to_param}/notices", params: { to: "group:#{deck.public_id}", words: "Read it" }
    follow_redirect!
    assert_select ".rows li", text: /To Deck.*Read it.*0 of 1 have looked/m
    Telling.delete_all
    get "/p/#{@page.to_param}/notices"
    assert_select ".rows li", text: /nobody has been told yet/
  end

  private

  def publish(small: false)
    @page.reload && save_text(@page, "Words #{SecureRandom.hex(3)}.", by: @ana)
    @page.publish(version: @page.draft.version, by: @ana, small: small)
  end
end
