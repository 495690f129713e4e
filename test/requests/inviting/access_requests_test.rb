require "test_helper"

# Asking for what one may not see, which tells nothing; and answering.
class AccessRequestsTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @room = new_room("On Board", keeper: @ana)
    @page = new_page("Wages", above: @room, by: @ana)
  end

  test "asking is answered alike whether there is such a page or not" do
    sign_in @ben
    answers = [ "/p/#{@page.to_param}", "/p/nothing-abcdefghij", "/rooms/#{@room.to_param}", "/p/x", "elsewhere", "https://evil.example/p/#{@page.public_id}" ].map do |address|
      get "/p/nothing-abcdefghij"
      shown = css_select("form[action='/access_requests']").size
      post "/access_requests", params: { address: address, words: "For the <b>ledger</b>" }
      [ shown, response.status, response.location, flash[:notice] ]
    end
    assert_equal 1, answers.uniq.size
    assert_equal [ @page.id, nil, nil, nil, nil, nil ], AccessRequest.order(:id).pluck(:page_id)
    assert_equal [ [ "ana.berg@ternholm.example", "Ben Holt asks for access to Wages" ], [ "ana.berg@ternholm.example", "Ben Holt asks for access to On Board" ] ], SentMail.order(:id).pluck(:recipient, :subject)
    post "/access_requests", params: { address: "/p/#{@page.to_param}" }
    assert_equal 2, SentMail.count # who asks twice is told of once
  end

  test "no more than ten a day" do
    sign_in @ben
    11.times { |i| post "/access_requests", params: { address: "/p/abcdefghi#{i % 10}" } }
    assert_equal [ 10, "You can ask 10 times a day. Ask again tomorrow." ], [ AccessRequest.count, flash[:alert] ]
    travel(25.hours) { assert AccessRequest.ask(@ben, "/p/#{@page.to_param}") }
  end

  test "a keeper lets somebody in up to a day, in one go, and whoever asked is told" do
    AccessRequest.ask(@ben, "/p/#{@page.to_param}", words: "For the ledger")
    sign_in @ana
    get "/p/#{@page.to_param}/access"
    assert_select ".invitees", text: /Ben Holt.*For the ledger/m
    get "/access_requests"
    assert_select ".invitees", text: /Ben Holt.*to Wages/m
    post "/p/#{@page.to_param}/access_grants", params: { holders: [ "person:#{@ben.public_id}" ], level: "read", ends_on: (Date.current + 2).iso8601, confirmed: 1 }
    assert_equal [ :read, 0 ], [ Viewer.new(@ben).level_on(@page.reload), AccessRequest.unanswered.count ]
    assert_equal [ "ben.holt@ternholm.example", "Wages is open to you" ], SentMail.order(:id).last.then { |mail| [ mail.recipient, mail.subject ] }
  end

  test "what is laid aside looks like silence" do
    request = AccessRequest.ask(@ben, "/p/#{@page.to_param}")
    sign_in @ana
    assert_no_difference("SentMail.count") { delete "/access_requests/#{request.public_id}" }
    assert_equal false, request.reload.given
    get "/access_requests"
    assert_select ".invitees", 0
  end

  test "only who keeps it hears of it, and answers" do
    writer, eve = person("Wil Teal"), person("Eve Lund", office: "administrator")
    @room.grant(holder(writer), :write)
    request = AccessRequest.ask(@ben, "/p/#{@page.reload.to_param}")
    [ writer, eve, @ben ].each do |other|
      sign_in other
      get "/access_requests"
      assert_select ".invitees", 0
      delete "/access_requests/#{request.public_id}"
      assert_response :not_found
    end
    assert_nil request.reload.answered_at
  end
end
