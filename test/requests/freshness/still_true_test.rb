require "test_helper"

# What is told of whether a page is still true, to whom, and what is refused.
class StillTrueRequestsTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  setup do
    @ana, @ben, @cem = person("Ana Berg"), person("Ben Holt"), person("Cem Roth")
    House.current.update!(public_addresses: true)
    @room = new_room("On Board", keeper: @ana, open: true)
    @room.grant(holder(@ben), :write)
    @ice = new_page("Ice", above: @room, by: @ana, at: 100.days.ago)
    @shut = new_page("Shut", above: new_room("Closed", keeper: @ana), by: @ana)
  end

  test "a room in which nothing has been published yet stands well, and no list has anything in it" do
    empty = new_room("Empty", keeper: @ana)
    sign_in @ana
    [ "/rooms/#{empty.public_id}/health", *Desk::LISTS.map { |list| "/desk/lists/#{list}?room=#{empty.public_id}" } ].each do |address|
      get address
      assert_response :success, address
      assert_select ".empty", 1, address
    end
    get "/desk", params: { room: empty.public_id }
    assert_response :success
  end

  test "overdue is told to readers in words, signed in or not, and to nobody before" do
    @ice.grant(holder(:anyone), :read)
    [ nil, @cem ].each { |who| assert_no_match(/should have said/, shown(who)) }
    CheckRule.of(@room).set(1, by: @ana)
    [ nil, @cem ].each { |who| assert_match(/By .* somebody should have said that this page is still correct/, shown(who)) }
    assert_select ".said-care button", count: 0
    shown(@ana)
    assert_select ".said-care button", text: "Still correct"
    post page_checks_path(@ice), params: { check: { note: "" } }
    assert_no_match(/should have said/, shown(@cem))
  end

  test "what was only published is not told as confirmed" do
    sign_in @ana
    get page_path(@ice)
    assert_select ".fact", /No check date\s*published on/
    get page_checks_path(@ice)
    assert_select ".lead", /It was first published on .* Nobody who keeps it has confirmed it since\./
    post page_checks_path(@ice), params: { check: { note: "" } }
    get page_path(@ice)
    assert_select ".fact", /No check date\s*confirmed on/
    get page_checks_path(@ice)
    assert_select ".lead", /Somebody who keeps it last confirmed it/
  end

  test "a page is marked as out of date, with what to read instead only for those who may" do
    sign_in @ben
    post page_out_of_date_mark_path(@ice), params: { mark: { see: "Shut", words: "Since May" } }
    assert_response :unprocessable_entity
    assert_select ".wrong", text: /No page of that name is open to you/
    assert_select "input[value=?]", "Since May"
    sign_in @ana
    post page_out_of_date_mark_path(@ice), params: { mark: { see: "shut", words: "Since May" } }
    assert_redirected_to page_path(@ice)
    assert_match(/This page is out of date.*See.*Shut.*Since May/m, shown(@ana))
    assert_match(/This page is out of date/, shown(@cem))
    assert_no_match(/Shut/, response.body)
    get find_path(q: "ice")
    assert_select ".found .outdated", text: /out of date/
    assert_no_match(/Shut/, response.body)
  end

  test "a page is not read instead of itself, and a title that several have is asked for" do
    2.times { new_page("Grit", above: @room, by: @ana) }
    sign_in @ana
    [ [ "Ice", /instead of itself/ ], [ "Grit", /Several pages could be meant/ ] ].each do |see, words|
      post page_out_of_date_mark_path(@ice), params: { mark: { see: see, words: "" } }
      assert_response :unprocessable_entity
      assert_select ".wrong", text: words
    end
    assert_nil @ice.reload.out_of_date_mark
  end

  test "publishing takes the mark off if whoever publishes says so" do
    OutOfDateMark.put(@ice, by: @ana)
    sign_in @ben
    [ [ "0", true ], [ "1", false ] ].each do |up_to_date, marked|
      save_text(@ice.reload, "New #{up_to_date}.", by: @ben)
      get new_page_publication_path(@ice)
      assert_select "input[name=up_to_date]"
      post page_publication_path(@ice), params: { version: @ice.draft.version, up_to_date: up_to_date }
      assert_equal marked, OutOfDateMark.exists?(page: @ice)
    end
  end

  test "whoever reads says whether it helped, once, and changes it; the word is read by keepers alone" do
    sign_in @cem
    get page_path(@ice)
    assert_select "#helped button", count: 2
    post page_help_answer_path(@ice), params: { helped: 0 }, headers: { "X-Fragment" => "1" }
    assert_select "#helped p", text: /did not help/
    patch page_help_answer_path(@ice), params: { answer: { words: "x" * 301 } }, headers: { "X-Fragment" => "1" }
    assert_response :unprocessable_entity
    assert_select ".wrong"
    patch page_help_answer_path(@ice), params: { answer: { words: "Where is the key?" } }
    assert_redirected_to page_path(@ice, anchor: "helped")
    post page_help_answer_path(@ice), params: { helped: 1 }
    post page_help_answer_path(@ice), params: { helped: 0 }
    assert_equal [ [ false, "Where is the key?" ] ], HelpAnswer.where(page: @ice).pluck(:helped, :words)
    { @ben => 0, @ana => 1 }.each do |who, told|
      sign_in who
      get page_checks_path(@ice)
      assert_select ".row-title", text: "Where is the key?", count: told
      assert_includes response.body, "1 that it did not"
    end
    post page_help_answer_path(@shut), params: { helped: 1 }
    assert_response :redirect
    sign_in @cem
    post page_help_answer_path(@shut), params: { helped: 1 }
    assert_response :not_found
  end

  test "a note that is too long is told beside its field, and nothing is said" do
    sign_in @ana
    post page_checks_path(@ice), params: { check: { note: "x" * 301 } }
    assert_response :unprocessable_entity
    assert_select ".wrong"
    assert_equal 0, Check.count
  end

  test "what was said is taken back, unless something newer counts, and by nobody else's way" do
    sign_in @ana
    post page_checks_path(@ice), params: { check: { note: "" } }, as: nil
    check = Check.last
    save_text(@ice.reload, "New.", by: @ana)
    @ice.publish(version: @ice.draft.version, by: @ana)
    delete page_check_path(@ice, check)
    assert_response :not_found
    delete page_check_path(new_page("Other", above: @room, by: @ana), check)
    assert_response :not_found
    assert Check.exists?(check.id)
  end

  test "how often is asked for in months, and what is none is told beside the field" do
    sign_in @ana
    [ { every: "other", months: "0" }, { every: "other", months: "" }, { every: "200" }, { every: "often" } ].each do |given|
      patch room_check_rule_path(@room), params: { rule: given }
      assert_response :unprocessable_entity, given.inspect
      assert_select ".wrong", text: /from 1 to 120/
    end
    patch room_check_rule_path(@room), params: { rule: { every: "other", months: "7" } }
    assert_equal 7, CheckRule.find_by!(room: @room).months
    patch page_check_rule_path(@ice), params: { rule: { every: "never" } }
    assert_redirected_to page_checks_path(@ice)
    follow_redirect!
    assert_includes response.body, "never"
  end

  test "one comes back to the list that one works through, and nowhere else" do
    sign_in @ana
    post page_checks_path(@ice), params: { check: { note: "" }, back: "/desk/lists/overdue" }
    assert_redirected_to "/desk/lists/overdue"
    post page_checks_path(@ice), params: { check: { note: "" }, back: "https://elsewhere.example/" }
    assert_redirected_to page_path(@ice)
  end

  test "a room's health tells of what one reads there, and leads to what is listed" do
    CheckRule.of(@room).set(1, by: @ana)
    hidden = new_page("Hidden", above: @room, by: @ana, at: 100.days.ago)
    hidden.make_own_list(by: @ana)
    hidden.access_grants.where("person_id IS NOT ?", @ana.id).delete_all
    hidden.reload.refresh_access_lists
    { @ana => "0 of 2", @cem => "0 of 1" }.each do |who, count|
      sign_in who
      get room_health_path(@room)
      assert_equal "#{count} #{"page".pluralize(count.last.to_i)} #{"need".then { |verb| count.last == "1" ? "needs" : verb }} no care.", css_select(".lead").text
      assert_no_match(/Hidden/, css_select("main").text) if who == @cem
    end
    get css_select(".facade a").first["href"]
    assert_select ".worklist li", count: 1
    get room_health_path(@shut.room)
    assert_response :not_found
  end

  test "on a tour, what is to be read instead and is not found is told, and nothing is said" do
    sign_in @ana
    post room_tour_path(@room)
    post room_tour_stops_path(@room), params: { page: @ice.public_id, said: "outdated", stop: { words: "Old", see: "Nowhere" } }
    assert_redirected_to room_tour_path(@room, page: @ice.public_id)
    assert_match(/No page of that name/, flash[:alert])
    assert_equal [ 0, 0 ], [ OutOfDateMark.count, TourStop.count ]
    post room_tour_stops_path(@room), params: { page: @ice.public_id, said: "outdated", stop: { words: "Old", see: "Shut" } }
    assert_equal @shut, @ice.reload.out_of_date_mark.see
    post room_tour_stops_path(@room), params: { page: @ice.public_id, said: "burnt", stop: { words: "" } }
    assert_response :bad_request
  end

  test "a list comes as CSV, with what one may see" do
    CheckRule.of(@room).set(1, by: @ana)
    sign_in @cem
    get desk_list_path(:overdue, format: :csv, of: "house")
    assert_equal "text/csv", response.media_type
    assert_equal [ "On Board", "Ice" ], CSV.parse(response.body.delete_prefix("\uFEFF")).last.first(2)
    Desk::GROUPS.values.flatten.each do |name|
      get desk_list_path(name, format: :csv, of: "house")
      assert_equal 1 + (name == :overdue || name == :loose ? 1 : 0), CSV.parse(response.body.delete_prefix("\uFEFF")).size, name.to_s
    end
    get desk_list_path(:loose)
    assert_redirected_to desk_loose_index_path(of: "house")
    get desk_list_path(:nothing)
    assert_response :not_found
  end

  test "of an archived room nothing is due any more" do
    CheckRule.of(@room).set(1, by: @ana)
    @room.archive(by: @ana)
    assert_no_match(/should have said/, shown(@cem))
    assert_select "#helped", count: 0
    sign_in @ana
    post page_checks_path(@ice), params: { check: { note: "" } }
    assert_response :forbidden
  end

  private

  def shown(who)
    who ? sign_in(who) : sign_out(:person)
    get page_path(@ice)
    assert_response :success
    response.body
  end
end
