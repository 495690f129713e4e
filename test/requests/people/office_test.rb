require "test_helper"

# What administrators do to the whole house.
class OfficeTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  setup do
    @ana, @ben, @gus = person("Ana Berg"), person("Ben Holt"), person("Gus Moor", role: "guest")
    @rosa = person("Rosa Tamm", office: "administrator")
    @deck = group("Deck", @ben)
    @room = new_room("Ideas", keeper: @ana)
    @room.grant(holder(@deck), :read)
    @page = new_page("Secret plans", above: @room, by: @ana)
    sign_in @rosa
  end

  test "filling a group says what that opens and closes before it is done" do
    patch "/groups/#{@deck.public_id}", params: { group: { name: "Deck", people: [ @gus.public_id ] } }
    assert_select ".exposure", "This opens 1 page to 1 person (Gus Moor) who could not get in before."
    assert_select ".exposure", "This closes 1 page to 1 person (Ben Holt) who can get in now."
    assert_equal [ @ben ], @deck.reload.people
    assert_select "input[name='group[people][]'][value=?]", @gus.public_id
    patch "/groups/#{@deck.public_id}", params: { group: { name: "Deck", people: [ @gus.public_id ] }, confirmed: 1 }
    assert_equal [ @gus ], @deck.reload.people
    assert_equal :read, viewer(@gus).level_on(@page.reload)
  end

  test "renaming a group alone asks nothing" do
    patch "/groups/#{@deck.public_id}", params: { group: { name: "Deck crew", people: [ @ben.public_id ] } }
    assert_redirected_to "/groups"
  end

  test "a deleted group takes what was given to it along, and nothing that needs a keeper" do
    delete "/groups/#{@deck.public_id}"
    assert_select ".exposure", /closes 1 page to 1 person \(Ben Holt\)/
    delete "/groups/#{@deck.public_id}", params: { confirmed: 1 }
    assert_redirected_to "/groups"
    assert_not Group.exists?(@deck.id)
    assert_equal :none, viewer(@ben).level_on(@page.reload)
    crew = group("Crew", @ben)
    @room.reload.grant(holder(crew), :keep)
    @room.grant(holder(@ana), :none)
    delete "/groups/#{crew.public_id}", params: { confirmed: 1 }
    assert_response :unprocessable_entity
    assert_select ".said-alert", /without anybody who keeps it/
    assert Group.exists?(crew.id)
    assert_equal :keep, viewer(@ben).level_on(@room.reload)
  end

  test "turning a switch says what it opens" do
    @page.grant(holder(:anyone), :read)
    patch "/house", params: { house: { name: "Ternholm Ferries", guests: "1", public_addresses: "1" } }
    assert_select ".exposure", /This opens 1 page to 2 people \(Gus Moor and Rosa Tamm\) and everybody who is not signed in/
    assert_not House.current.reload.public_addresses?
    patch "/house", params: { house: { name: "Ternholm Ferries", guests: "1", public_addresses: "1" }, confirmed: 1 }
    assert_predicate House.current.reload, :public_addresses?
  end

  test "taking over is recorded, and before it no title is told" do
    @page.make_own_list(by: @ana)
    get "/takeovers"
    assert_select ".rows li", /Ideas\s+kept by Ana Berg · 1 page/
    assert_select ".rows li", /A page in Ideas with its own list/
    assert_no_match(/Secret plans/, response.body)
    @ana.update!(suspended_at: Time.current)
    get "/takeovers"
    assert_select ".tag", { text: "nobody keeps it", count: 2 }
    post "/takeovers", params: { place: @room.public_id }
    assert_equal :keep, viewer(@rosa).level_on(@room.reload)
    assert_equal :none, viewer(@rosa).level_on(@page.reload), "its own list stands"
    follow_redirect!
    assert_select ".given li", /Rosa Tamm took over the room as keeper\./
  end
end
