require "test_helper"

# The list of passages, and a new one begun from it.
class PassagesTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @room, @closed = new_room("On Board", keeper: @ana, open: true), new_room("Crew", keeper: @ana)
    @page = new_page("Gangway", above: @room, by: @ana, publish: false)
    hold(@page, "Grit")
    @secret = new_page("Pay", above: @closed, by: @ana)
    hold(@secret, "Wages")
    block = Passage.find_by!(page: @page).block_id
    @shows = new_page("Watch", above: @room, by: @ana)
    insert(@shows, block)
    insert(new_page("Rota", above: @closed, by: @ana), block)
    sign_in @ben
  end

  # Puts a passage into a page and publishes it.
  def hold(page, name)
    save(page, [ Passage.empty(name).merge("content" => [ { "type" => "paragraph", "content" => [ { "type" => "text", "text" => "One hand a step." } ] } ]) ])
  end

  def insert(page, block)
    save(page, [ { "type" => "live_insert", "attrs" => { "page" => @page.public_id, "passage" => block } } ])
  end

  def save(page, blocks)
    page.reload.save_draft(State.new(title: page.title, document: { "type" => "doc", "content" => blocks }), base_version: page.draft.version, by: @ana)
    page.publish(version: page.reload.draft.version, by: @ana)
  end

  test "each is told with its page and where it is shown, of what one may read" do
    get "/passages"
    assert_equal [ "Grit" ], css_select(".rows .row-main").map(&:text)
    assert_select ".rows li", text: /Gangway · edition 1.*Shown on\s+Watch/m
    assert_no_match(/Wages|Rota/, response.body)
    assert_select "a", text: "Write", count: 0
    get "/passages?of=mine"
    assert_select ".empty"
    sign_in @ana
    get "/passages?of=mine"
    assert_equal %w[Grit Wages], css_select(".rows .row-main").map(&:text).sort
    assert_select ".rows li", text: /Rota, Watch/
    assert_select ".rows a[href='#{edit_page_draft_path(@page, anchor: "b-#{Passage.find_by!(page: @page).block_id}")}']", text: "Write"
    get "/passages?of=lately"
    assert_equal 2, css_select(".rows .row-main").size
  end

  test "a new one is begun on a page one may write, or as a page in a room" do
    sign_in @ana
    post "/passages", params: { name: "Salt", above: @shows.public_id }
    assert_redirected_to edit_page_draft_path(@shows.reload)
    assert_equal [ "live_insert", [ "passage", "Salt" ] ], @shows.draft.document["content"].map { |block| block["type"] == "passage" ? [ "passage", block.dig("attrs", "name") ] : block["type"] }
    post "/passages", params: { name: "Whom to call", above: @room.public_id }
    page = Page.find_by!(title: "Whom to call")
    assert_equal [ "passage" ], page.draft.document["content"].map { |block| block["type"] }
    [ { name: "", above: @room.public_id }, { name: "x" * 201, above: @room.public_id }, { name: "x" * 201, above: @shows.public_id }, { name: "Salt", above: "" } ].each do |given|
      assert_no_difference([ "Page.count", "Draft.count" ]) { post "/passages", params: given }
      assert_response :unprocessable_entity
      assert_select ".said-alert"
    end
  end

  test "not where one may not write" do
    [ @page, @room ].each do |place|
      assert_no_difference([ "Page.count", "Draft.count" ]) { post "/passages", params: { name: "Salt", above: place.public_id } }
      assert_response :forbidden
    end
    post "/passages", params: { name: "Salt", above: @secret.public_id }
    assert_response :forbidden
  end
end
