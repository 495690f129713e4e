require "test_helper"

# A page's history through its doors: what is chosen of it, as it was on a day, feeds, and what leaves it.
class HistoryRequestsTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers, Talking

  setup do
    @ana, @ben, @gus = person("Ana Berg"), person("Ben Holt"), person("Gus Weir", role: "guest")
    @room = new_room("On Board", keeper: @ana, open: true)
    @room.grant(holder(@ben), :write)
    travel_to(10.days.ago) { @page = new_page("Gangway", above: @room, by: @ana, markdown: "Salt.") }
    travel_to(5.days.ago) { rewrite(@page, "Salt and grit.", by: @ben) }
    save_text(@page.reload, "Sand.", by: @ana)
    @page.publish(version: @page.draft.version, by: @ana, small: true)
  end

  test "it is chosen by person, by day and without small changes, and what is no day counts for nothing" do
    sign_in @ben
    assert_equal [ 3, 2, 1 ], numbers
    assert_equal [ 2 ], numbers(by: @ben.public_id)
    assert_equal [ 2, 1 ], numbers(small: "0")
    assert_equal [ 3, 2 ], numbers(since: 6.days.ago.to_date)
    assert_equal [ 2, 1 ], numbers(until: 5.days.ago.to_date)
    assert_equal [ 3, 2, 1 ], numbers(since: "2026-99-99", until: "yesterday", by: "nobody")
    assert_empty numbers(since: Date.tomorrow)
  end

  test "as it was on a day" do
    sign_in @ben
    get "/p/#{@page.to_param}/editions", params: { on: 7.days.ago.to_date }
    assert_redirected_to "/p/#{@page.to_param}/editions/1"
    get "/p/#{@page.to_param}/editions", params: { on: 20.days.ago.to_date }
    assert_redirected_to "/p/#{@page.to_param}/editions"
    get "/p/#{@page.to_param}/editions", params: { on: "someday" }
    assert_redirected_to "/p/#{@page.to_param}/editions"
  end

  test "a feed at a private address tells what its owner may read now, and nothing once it is ended" do
    sign_in @ben
    post "/feed_key", params: { page_id: @page.public_id }
    address = flash[:notice][%r{/feeds/\S+}]
    reset!
    get address
    assert_equal "application/atom+xml", response.media_type
    feed = Nokogiri::XML(response.body).remove_namespaces!
    assert_equal [ "Edition 3 of Gangway", "Edition 2 of Gangway", "Edition 1 of Gangway" ], feed.xpath("//entry/title").map(&:text)
    assert_equal [ "Ana Berg", "Ben Holt", "Ana Berg" ], feed.xpath("//entry/author/name").map(&:text)
    @page.reload.retract(@page.edition, reason: "Sand?", by: @ana)
    get address
    assert_no_match(/Edition 3|Sand/, response.body)
    @room.grant(holder(@ben), :none)
    @room.grant(holder(:everyone), :none)
    get address
    assert_response :not_found
    assert_no_match(/Gangway/, response.body)
    @room.grant(holder(@ben), :read)
    get address
    assert_response :ok
    sign_in @ben
    delete "/feed_key"
    reset!
    get address
    assert_response :not_found
  end

  test "nobody else's key, and not that of who is suspended" do
    key = FeedKey.of(@gus).token
    get "/feeds/#{key}/p/#{@page.public_id}"
    assert_response :not_found
    key = FeedKey.of(@ben).token
    @ben.update!(suspended_at: Time.current)
    get "/feeds/#{key}/p/#{@page.public_id}"
    assert_response :not_found
    get "/feeds/#{"x" * 43}/p/#{@page.public_id}"
    assert_response :not_found
  end

  test "of a public page the feed is public, without names" do
    House.current.update!(public_addresses: true)
    @room.grant(holder(:anyone), :read)
    get "/p/#{@page.to_param}/editions.atom"
    assert_response :ok
    assert_no_match(/Ana Berg|Ben Holt/, response.body)
  end

  test "an edition taken back is not there for who does not keep the page, through no door" do
    @page.reload.retract(@page.edition, reason: "Sand?", by: @ana)
    sign_in @ben
    [ "editions/3", "comparison?from=2&to=3", "comparison?from=before&to=3" ].each { |door| get("/p/#{@page.to_param}/#{door}") && assert_response(:not_found, door) }
    post "/p/#{@page.to_param}/editions/3/restoration"
    assert_response :not_found
    get "/p/#{@page.to_param}/editions"
    assert_no_match(/Edition 3|Sand\?/, response.body)
    post "/p/#{@page.to_param}/editions/2/retraction", params: { retraction: { reason: "Why not" } }
    assert_response :forbidden
    sign_in @ana
    get "/p/#{@page.to_param}/editions/3"
    assert_match(/Sand\?/, response.body)
  end

  test "put aside: out of the plan, found last, still read and linked, with what is below" do
    below = new_page("Ice", above: @page, by: @ana, markdown: "Salt in winter.")
    other = new_page("Salt", above: @room, by: @ana, markdown: "Other salt.")
    sign_in @ben
    post "/p/#{@page.to_param}/aside", params: { put_aside: { reason: "See salt" } }
    get "/p/#{@page.to_param}"
    assert_select ".said", /See salt/
    get "/p/#{below.to_param}"
    assert_select ".said", /Put aside with a page above it/
    get "/rooms/#{@room.public_id}"
    assert_select ".plan ul:not(.plan-short):not(.plan-lists) a", text: "Salt"
    assert_select ".plan ul:not(.plan-short):not(.plan-lists) a", text: "Gangway", count: 0
    assert_select ".plan ul:not(.plan-short):not(.plan-lists) a", text: "Ice", count: 0
    assert_equal other, Search.new("salt", viewer(@ben)).results.first.page
    assert_equal 2, Search.new("salt", viewer(@ben)).results.size, "the page and what is below it, last"
    get "/pages?of=aside"
    assert_select "main a", text: "Gangway"
    post "/p/#{@page.to_param}/aside", params: { put_aside: { reason: "x" * 400 } }
    assert_response :unprocessable_entity
    delete "/p/#{@page.to_param}/aside"
    get "/rooms/#{@room.public_id}"
    assert_select ".plan ul:not(.plan-short):not(.plan-lists) a", text: "Gangway"
  end

  test "rooms that do not keep all editions let old ones go, never what something refers to" do
    @room.update!(editions_thinned_after: 1)
    travel_to(100.days.from_now) { Page.thin_all_editions }
    assert_equal [ 3 ], @page.editions.pluck(:number), "all were of one month, and the last of it stays" if 10.days.ago.month == Date.current.month
    other = new_page("Ice", above: @room, by: @ana, at: 70.days.ago.beginning_of_month)
    save_text(other, "Salt.", by: @ana)
    other.publish(version: other.draft.version, by: @ana, at: 70.days.ago.beginning_of_month + 1.day)
    save_text(other, "Grit.", by: @ana)
    other.publish(version: other.draft.version, by: @ana)
    ReviewRule.of(other).set(people: [ @ben ], groups: [], by: @ana)
    Page.thin_all_editions
    assert_equal [ 2, 3 ], other.editions.order(:number).pluck(:number)
    assert_equal [ 2, 3 ].size, Text.where(page: other, digest: other.editions.select(:digest)).count
  end

  test "a contents list has its headings where its blocks are shown by themselves" do
    2.times { |i| rewrite(@page, "::: contents_list\n:::\n\n# Salt\n\n#{i} buckets.", by: @ana) }
    sign_in @ben
    [ "attribution", "comparison?from=4&to=5" ].each do |screen|
      get "/p/#{@page.to_param}/#{screen.sub("attribution", "written-by")}"
      assert_response :success, screen
      assert_select "nav li a", text: "Salt"
    end
  end

  test "a page that is moved says what is looked over there before it is" do
    reviewed = new_room("Safety", keeper: @ana, open: true)
    ReviewRule.of(reviewed).set(people: [ @ben ], groups: [], by: @ana)
    reviewed.grant(holder(@ben), :write)
    sign_in @ana
    patch "/p/#{@page.to_param}/placement", params: { above: reviewed.public_id }
    assert_select ".exposure", /it is looked over: by Ben Holt/
    assert_equal @room, @page.reload.room
    patch "/p/#{@page.to_param}/placement", params: { above: reviewed.public_id, confirmed: 1 }
    assert_equal reviewed, @page.reload.room
    patch "/p/#{@page.to_param}/placement", params: { above: @room.public_id }
    assert_select ".exposure", /Nothing has to be looked over there/
  end

  private

  def numbers(**chosen)
    get "/p/#{@page.to_param}/editions", params: chosen
    css_select(".editions .row-main").map { |link| link.text[/\d+/].to_i }
  end
end
