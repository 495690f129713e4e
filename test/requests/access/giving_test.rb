require "test_helper"

# Giving access to several people at once, directly where the button says all there is to say, after a look elsewhere.
class GivingTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  setup do
    @ana, @ben, @jon = person("Ana Berg"), person("Ben Holt"), person("Jon Vael")
    @room = new_room("On Board", keeper: @ana)
    @page = new_page("Gangway", above: @room, by: @ana)
    new_page("Half a thought", above: @page, by: @ana, publish: false)
    sign_in @ana
  end

  test "several people who only gain are let in at once, with a record for each" do
    assert_equal "Open to Ben Holt and Jon Vael: may write, 2 pages, 1 of them not published", said(@ben, @jon, level: "write")
    give(@ben, @jon, level: "write", said: said(@ben, @jon, level: "write"))
    assert_redirected_to "/p/#{@page.to_param}/access"
    assert_equal %i[write write], [ @ben, @jon ].map { |one| viewer(one).level_on(@page.reload) }
    assert_equal [ [ "given", "person:#{@ben.public_id}", 1 ], [ "given", "person:#{@jon.public_id}", 1 ] ], Happening.of_access.order(:id).map { |event| [ event.act, *event.details.values_at("holder", "opened") ] }
  end

  test "what a reader does not see is not counted" do
    assert_equal "Open to Ben Holt: may read, 1 page", said(@ben, level: "read")
  end

  test "whoever sees it already gains a level by name" do
    @page.grant(holder(@ben), :read)
    assert_equal "Open to Ben Holt: may write, 1 page that is not published", said(@ben, level: "write")
    @page.children.first.then { |draft| draft.put_in_bin(by: @ana) }
    assert_equal "Give Ben Holt: may write, 1 page", said(@ben, level: "write")
  end

  test "words that are no longer true lead to a look first" do
    words = said(@ben, level: "write")
    new_page("One more", above: @page, by: @ana)
    give(@ben, level: "write", said: words)
    assert_select ".exposure", /opens 3 pages, 1 of them not published to 1 person/
    assert_not @page.access_grants.exists?
  end

  test "groups, everyone here, a loss and what is withheld are looked at first, whatever is said" do
    deck = group("Deck", @ben)
    everyone = { holders: [ "everyone" ], level: "read" }
    [ { holders: [ "group:#{deck.public_id}" ], level: "read" }, everyone, { holders: [ "person:#{@jon.public_id}", "everyone" ], level: "read" } ].each { |params| assert_looked_at(params) }
    @page.grant(holder(@ben), :write)
    assert_looked_at({ holders: [ "person:#{@ben.public_id}" ], level: "read" })
    secret = new_page("Wages", above: new_room("Pay", keeper: @ana), by: @ana)
    save_text(@page, "::: live_insert {page=\"#{secret.public_id}\"}\n:::", by: @ana) && @page.reload.publish(version: @page.draft.version, by: @ana)
    assert_looked_at({ holders: [ "person:#{@jon.public_id}" ], level: "read" })
  end

  test "one name that is none gives nothing to anybody" do
    post "/p/#{@page.to_param}/access_grants", params: { holders: [ "person:#{@ben.public_id}", "person:nobody" ], level: "read", confirmed: 1 }
    assert_response :unprocessable_entity
    assert_empty @page.access_grants
  end

  private

  def said(*people, level:)
    get "/p/#{@page.to_param}/access_grants/new?#{{ holders: people.map { |one| "person:#{one.public_id}" }, level: level }.to_query}"
    response.parsed_body["said"]
  end

  def give(*people, **params)
    post "/p/#{@page.to_param}/access_grants", params: { holders: people.map { |one| "person:#{one.public_id}" }, **params }
  end

  def assert_looked_at(params)
    get "/p/#{@page.to_param}/access_grants/new?#{params.to_query}"
    assert_equal({ "said" => nil, "look" => true }, response.parsed_body)
    assert_no_difference(-> { AccessGrant.count }) { post "/p/#{@page.to_param}/access_grants", params: params.merge(said: "Open to Ben Holt: may read, 1 page") }
    assert_select ".exposure"
  end
end
