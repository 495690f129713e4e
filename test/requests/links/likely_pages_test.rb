require "test_helper"

# What is told while something is begun: pages that may already say it, and names that could be links.
class LikelyPagesTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @room, @closed = new_room("On Board", keeper: @ana, open: true), new_room("Crew", keeper: @ana)
    @gangway = new_page("Gangway in ice", above: @room, by: @ana, markdown: "## Grit\n\nOne hand of grit for each step.")
    @pay = new_page("Gangway pay", above: @closed, by: @ana, markdown: "Grit costs.")
    sign_in @ben
  end

  def likely(text, **given)
    get "/likely", params: { q: text, **given }
    css_select(".likely .row-main, .likely b").map(&:text)
  end

  test "by title and by what they say, of what one may read" do
    assert_equal [ "Gangway in ice" ], likely("gangway")
    assert_select ".row-facts", text: /is called alike/
    assert_equal [ "Gangway in ice › Grit" ], likely("how much grit for a step")
    assert_select ".row-facts", text: /has something about it/
    [ "", "ga", "zeppelin" ].each { |text| assert_empty likely(text), text }
    assert_equal [ "Gangway in ice" ], likely("gangway", choose: 1)
    assert_select "input[name='pages[]'][value='#{@gangway.public_id}']"
  end

  test "a new room's plan links to what is ticked, of what one may read" do
    post "/rooms", params: { room: { name: "Winter", colour: "moss" }, pages: [ @gangway.public_id, @pay.public_id, "x" ] }
    room = Room.find_by!(name: "Winter")
    assert_equal [ [ "Gangway in ice", "page:#{@gangway.public_id}" ] ], Signpost.where(room: room).pluck(:title, :target)
    assert_no_difference("Signpost.count") { post "/rooms", params: { room: { name: "", colour: "moss" }, pages: [ @gangway.public_id ] } }
    assert_select "input[type=hidden][name='pages[]'][value='#{@gangway.public_id}']"
  end

  test "a draft is told which names in it could be links, for whoever writes it, of pages that they see" do
    page = new_page("Watch", above: @room, by: @ana, markdown: "The gangway in ice, gangway pay, and the gangway in ice.", publish: false)
    sign_in @ana
    get "/p/#{page.to_param}/draft/names", as: :json
    assert_equal [ [ "gangway in ice", "Gangway in ice", 4 ], [ "gangway pay", "Gangway pay", 20 ] ], response.parsed_body["names"].map { |name| name.values_at("words", "title", "start") }
    page.grant(holder(@ben), :write)
    sign_in @ben
    get "/p/#{page.to_param}/draft/names", as: :json
    assert_equal [ "gangway in ice" ], response.parsed_body["names"].map { |name| name["words"] }
    save_text(page.reload, "The [x](page:#{@gangway.public_id}) and the gangway in ice.", by: @ana)
    get "/p/#{page.to_param}/draft/names", as: :json
    assert_empty response.parsed_body["names"]
  end
end
