require "test_helper"

# Putting back from the bin asks about what is really moved.
class BinRequestsTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  setup do
    @ana, @ben, @cem = person("Ana Berg"), person("Ben Holt"), person("Cem Aydin")
    @room = new_room("Pay", keeper: @ana)
    @top = new_page("Wages", above: @room, by: @ana, markdown: "Sums.")
    @deep = new_page("Forms", above: @top, by: @ana)
    @deep.grant(holder(@ben), :write)
    @own = new_room("Ben's", keeper: @ben)
    @top.put_in_bin(by: @ana)
  end

  test "who may write a page deep in a binned tree gets nothing else of it" do
    sign_in @ben
    [ { above: @own.public_id }, { above: @own.public_id, confirmed: 1 }, {} ].each do |params|
      delete "/p/#{@deep.to_param}/binning", params: params
      assert_response :forbidden
    end
    assert_equal [ @room, true ], [ @top.reload.room, @top.binned? ]
    assert_equal :none, viewer(@ben).level_on(@top)
  end

  test "putting back elsewhere says first what it opens, and is recorded" do
    open_room = new_room("Open", keeper: @ana, open: true)
    sign_in @ana
    delete "/p/#{@deep.to_param}/binning", params: { above: open_room.public_id }
    assert_select ".exposure", /This opens 2 pages to 2 people/
    assert_predicate @top.reload, :binned?
    delete "/p/#{@deep.to_param}/binning", params: { above: open_room.public_id, confirmed: 1 }
    assert_equal [ open_room, false, @top ], [ @top.reload.room, @top.binned?, @deep.reload.above ]
    assert_equal [ "moved", 2 ], Happening.of_access.find_by!(page: @top).then { |event| [ event.act, event.details["opened"] ] }
  end

  test "putting back to where pages are looked over before they count says so" do
    drills = new_room("Drills", keeper: @ana)
    ReviewRule.new(room: drills).tap { |rule| rule.approvers.build(person: @cem) }.save!
    sign_in @ana
    delete "/p/#{@top.to_param}/binning", params: { above: drills.public_id }
    assert_select ".exposure", /Cem Aydin/
    assert_predicate @top.reload, :binned?
    delete "/p/#{@top.to_param}/binning", params: { above: drills.public_id, confirmed: 1 }
    assert_equal drills, @top.reload.room
  end

  test "files are asked for anew each time, and not sent again while they are the same" do
    page = new_page("Plan", above: new_room("Open", keeper: @ana, open: true), by: @ana)
    file = PageFile.take(Rack::Test::UploadedFile.new(Rails.root.join("docs/screenshots/read.png"), "image/png"), page: page, by: @ana)
    sign_in @ana
    get "/files/#{file.public_id}"
    assert_equal "no-cache, private", response.headers["Cache-Control"].split(", ").sort.join(", ")
    etag = response.headers["ETag"]
    get "/files/#{file.public_id}", headers: { "If-None-Match" => etag }
    assert_response :not_modified
    sign_out :person
    sign_in @cem
    get "/files/#{file.public_id}", headers: { "If-None-Match" => etag }
    assert_response :not_found
  end
end
