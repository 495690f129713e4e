require "test_helper"

# Keeping searches, looking inside, what belongs together, what was sought in vain, a browser's own field.
class KeepingRequestsTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @room = new_room("On Board", keeper: @ana, open: true)
    @page = new_page("Lost property", above: @room, by: @ana, markdown: "What comes in.\n\n# How long\n\n- Phones: six weeks.\n- Bicycles: a year.\n\nSee [tickets](page:ticketoffc).", at: 2.days.ago)
    sign_in @ben
  end

  test "a search is kept with its filters, tells what is new, and is let go of" do
    post "/find/kept", params: { q: "lost", room: @room.public_id }
    assert_redirected_to find_path(q: "lost", room: @room.public_id)
    kept = @ben.kept_searches.sole
    get "/find"
    assert_select ".kept-searches a[href=?]", find_path(q: "lost", room: @room.public_id), "lost"
    assert_select ".kept-searches", /in On Board · nothing new/
    new_page("Lost keys", above: @room, by: @ana, at: 1.minute.from_now)
    get "/find"
    assert_select ".kept-searches .fresh", "1 new page"
    get "/find", params: { q: "lost", room: @room.public_id }
    assert_equal [ "Lost keys" ], css_select(".found > li").select { |row| row.at_css(".fresh") }.map { |row| row.at_css(".row-main").text.strip }
    assert_select "form[action=?]", kept_search_path(kept), text: /Let go of this search/
    delete kept_search_path(kept)
    assert_redirected_to "/find"
    assert_empty @ben.kept_searches.reload
  end

  test "nobody lets go of another's search, and more than fit are refused with the reason" do
    others = KeptSearch.keep(Search.new("lost", viewer(@ana)), viewer(@ana))
    delete kept_search_path(others)
    assert_response :not_found
    KeptSearch::MOST.times { |i| KeptSearch.keep(Search.new("word #{i}", viewer(@ben)), viewer(@ben)) }
    post "/find/kept", params: { q: "one more" }
    follow_redirect!
    assert_select ".said-alert", /You keep 20 searches already/
    sign_out @ben
    post "/find/kept", params: { q: "lost" }
    assert_response :not_found
  end

  test "what stands in a section is looked into, with the words marked; nothing of what one may not read" do
    get page_peek_path(@page), params: { at: 1, q: "bicycles" }
    assert_select "li", 2
    assert_select "mark", "Bicycles"
    get page_peek_path(@page), params: { at: 99 }
    assert_response :not_found
    closed = new_page("Ideas", above: new_room("Ideas", keeper: @ana), by: @ana)
    [ page_peek_path(closed), page_related_path(closed) ].each do |path|
      get path, params: { at: 0 }
      assert_response :not_found
    end
  end

  test "what belongs to a page" do
    new_page("Ticket office", above: @room, by: @ana, markdown: "See [lost things](page:#{@page.public_id}).")
    get page_related_path(@page)
    assert_select ".row-main", "Ticket office"
    assert_select ".row-facts", /linked with it/
  end

  test "what several people sought in vain stands on the desk, with what can be done" do
    @people = [ @ben, person("Cleo Vane"), person("Dan Orr") ]
    @people.each do |one|
      sign_in one
      get "/find", params: { q: "Season ticket" }
    end
    get "/desk"
    assert_select "main a", /1 thing was sought by several people in vain/
    get "/desk/sought"
    assert_select ".row-main", "“season ticket”"
    assert_select "a[href=?]", new_page_path(title: "Season ticket")
    assert_select "a[href=?]", terms_path(others: "season ticket")
    get "/terms", params: { others: "season ticket" }
    assert_select "input[name=?][value=?]", "term[others_in_words]", "season ticket"
    delete "/desk/sought/#{Sought.told.first.key}"
    assert_redirected_to "/desk/sought"
    assert_equal 0, Sought.count
    delete "/desk/sought/nothing"
    assert_response :not_found
    sign_in person("Gus Weir", role: "guest")
    get "/desk/sought"
    assert_response :forbidden
  end

  test "opening what was found is noticed, from the list alone" do
    3.times { |i| person("P #{i}").then { |one| Sought.note(Search.new("bicycles", viewer(one)), viewer(one)) } }
    Sought.note(Search.new("bicycles", viewer(@ben)), viewer(@ben))
    assert_equal 1, Sought.count_of_told
    get page_path(@page), headers: { "Referer" => "http://elsewhere.example/find?q=bicycles" }
    get page_path(@page), headers: { "Referer" => "http://www.example.com/p/find?q=bicycles" }
    get page_path(@page), headers: { "Referer" => "not an address at all %%" }
    assert_equal 1, Sought.count_of_told
    get page_path(@page), headers: { "Referer" => "http://www.example.com/find?q=Bicycles" }
    assert_equal 0, Sought.count_of_told
  end

  test "the house says how a browser's own field asks it" do
    get "/"
    assert_select "link[rel=search][href=?]", "/find/description"
    get "/find/description"
    assert_equal "application/opensearchdescription+xml", response.media_type
    template = Nokogiri::XML(response.body).remove_namespaces!.at_xpath("//Url/@template").value
    get template.sub("{searchTerms}", "bicycles")
    assert_select ".row-main", /Lost property/
  end

  test "open questions and what is put aside narrow a search down" do
    aside = new_page("Lost ropes", above: @room, by: @ana)
    PutAside.create!(page: aside, person: @ana, reason: "old")
    Remark.say(@page, kind: "question", body: "Lost what?", by: @ben)
    { { state: "aside" } => [ "Lost ropes" ], { state: "current" } => [ "Lost property" ], { has: "questions" } => [ "Lost property" ] }.each do |filter, titles|
      get "/find", params: { q: "lost", **filter }
      assert_equal titles, css_select(".found > li > a.row-main").map { |link| link.text.split("›").first.strip }, filter.to_s
    end
  end
end
