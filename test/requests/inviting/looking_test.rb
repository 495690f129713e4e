require "test_helper"

# Looking at the house as somebody else: what they see of what the looker keeps, and nothing else; and nothing can be done.
class LookingTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  setup do
    @ana, @ben, @cy = person("Ana Berg"), person("Ben Holt"), person("Cy Moor", role: "guest")
    @deck = group("Deck", @ben)
    @board, @pay = new_room("On Board", keeper: @ana, open: true), new_room("Pay", keeper: @ben, open: true)
    @gangway = new_page("Gangway", above: @board, by: @ana, markdown: "Before [signals](page:#{"x" * 10}).")
    @signals = new_page("Signals", above: @board, by: @ana)
    @draft = new_page("Not yet", above: @board, by: @ana, publish: false)
    @wages = new_page("Wages", above: @pay, by: @ben)
    @signals.make_own_list(by: @ana)
    @signals.reload.grant(holder(:everyone), :none)
    @gangway.grant(holder(@cy), :read)
    sign_in @ana
    get "/"
  end

  test "agrees with what each of them sees, of what the looker keeps" do
    pages = [ @gangway, @signals, @draft, @wages ]
    kept = pages.select { |page| viewer(@ana).level_on(page.reload) == :keep }
    { "person:#{@ben.public_id}" => viewer(@ben), "person:#{@cy.public_id}" => viewer(@cy), "outside" => Viewer.new(nil) }.each do |who, theirs|
      post "/look-as", params: { who: who }
      pages.each do |page|
        get "/p/#{page.to_param}"
        assert_equal kept.include?(page) && theirs.sees?(page), response.successful?, "#{who} on #{page.title}"
      end
      get "/"
      assert_equal kept.count { |page| theirs.sees?(page) && page.room == @board }.positive?, css_select(".doors b").map(&:text).include?("On Board"), who
      assert_select ".doors b", text: "Pay", count: 0
    end
  end

  test "groups and guests without names" do
    @signals.grant(holder(@deck), :read)
    post "/look-as", params: { who: "group:#{@deck.public_id}" }
    get "/p/#{@signals.reload.to_param}"
    assert_select ".looking", text: /as a member of the group Deck/
    post "/look-as", params: { who: "guest", back: "/p/#{@gangway.to_param}" }
    assert_redirected_to "/p/#{@gangway.to_param}"
    follow_redirect!
    assert_response :not_found
  end

  test "what is kept of one look is shown in no other, and follows what changes" do
    engine = group("Engine", @cy)
    @signals.reload.grant(holder(@deck), :read)
    shown = lambda do |who|
      post "/look-as", params: { who: who }
      get "/p/#{@gangway.to_param}"
      [ response.status, css_select(".plan a").map { |link| link.text.strip }.include?("Signals") ]
    end
    2.times do
      assert_equal [ 200, true ], shown.call("group:#{@deck.public_id}")
      assert_equal [ 200, false ], shown.call("group:#{engine.public_id}")
      assert_equal [ 404, false ], shown.call("outside")
      assert_equal [ 200, false ], shown.call("person:#{@cy.public_id}")
      assert_equal [ 200, true ], shown.call("person:#{@ben.public_id}")
      delete "/look-as"
    end
    @signals.reload.grant(holder(@deck), :none)
    assert_equal [ 200, false ], shown.call("person:#{@ben.public_id}")
    delete "/look-as"
    @signals.reload.grant(holder(@cy), :read)
    assert_equal [ 200, true ], shown.call("person:#{@cy.public_id}")
    delete "/look-as"
    sign_in @cy
    get "/p/#{@gangway.to_param}"
    assert_select ".looking", 0
    sign_out @cy
    get "/p/#{@gangway.to_param}"
    assert_response :not_found
  end

  test "what is said is heard as they hear it, and nothing can be said" do
    block = @gangway.edition.document["content"].first.dig("attrs", "id")
    note = Remark.note(@gangway, Remark::OnText::Pointed.new(stage: "edition", block: block, start: 0, length: 6), by: @ana, body: "Too early?")
    question = Remark.say(@gangway, kind: "question", body: "Which rope?", by: @ben)
    question.reply("The thick one.", by: @ana)
    [ "person:#{@cy.public_id}", "group:#{@deck.public_id}", "person:#{@ben.public_id}" ].each do |who|
      post "/look-as", params: { who: who }
      get "/p/#{@gangway.to_param}"
      assert_select ".note-body", { text: "Too early?" }, who
      assert_select ".asked-list a", text: "Which rope?"
      get "/remarks/#{question.public_id}"
      assert_response :success
      assert_select ".note-replies", text: /The thick one/
      assert_select "form[action^='/remarks'], textarea, .note-acts button", 0
      assert_no_difference("Remark.count") { post "/p/#{@gangway.to_param}/remarks", params: { remark: { body: "Hm.", kind: "note", stage: "edition", block: block } } }
      assert_response :forbidden
      delete "/look-as"
    end
    post "/look-as", params: { who: "outside" }
    get "/remarks/#{note.public_id}"
    assert_response :not_found
  end

  test "nothing can be done, nothing of theirs is shown, and nothing is left of it" do
    Pin.create!(person: @ben, page: @gangway)
    post "/look-as", params: { who: "person:#{@ben.public_id}" }
    assert_no_difference([ "Reading.count", "Happening.count", "Sought.count" ]) do
      get "/p/#{@gangway.to_param}"
      assert_response :success
      assert_no_match(/Ben Holt’s own room|data-pinned|Sign in/, response.body.sub(/<div class="looking".*?<\/div>/m, ""))
      { get: %w[/profile/edit /desk /tasks /find?q=signals /suggestions?q=sig /pages /people /house/edit /mails /reviews /p/new /invitations /colleagues /access_requests], post: [ "/p/#{@gangway.to_param}/pin", "/invitations", "/access_requests" ],
        patch: [ "/profile", "/p/#{@gangway.to_param}/tagging" ], delete: [ "/p/#{@gangway.to_param}/pin" ] }.each do |verb, addresses|
        addresses.each do |address|
          public_send(verb, address)
          assert_response :forbidden, "#{verb} #{address}"
        end
      end
    end
    delete "/look-as"
    get "/p/#{@signals.to_param}"
    assert_response :success
    delete "/sign-out"
    get "/p/#{@gangway.to_param}"
    assert_response :not_found
    get "/"
    assert_no_match(/On Board/, response.body)
  end

  test "what is kept in the process for others is not touched" do
    House.current.update!(public_addresses: true)
    outside = lambda do
      reset!
      get "/p/#{@gangway.to_param}"
      response.body.scan(/On Board|Gangway/).size
    end
    before = outside.call
    sign_in @ana
    post "/look-as", params: { who: "person:#{@ben.public_id}" }
    get "/p/#{@gangway.to_param}"
    assert_select ".plan", text: /On Board/
    assert_equal before, outside.call
  end

  test "members only, of whom and whither there is" do
    post "/look-as", params: { who: "person:nobody" }
    assert_response :not_found
    [ "https://evil.example/", "//evil.example", "/desk" ].each do |back|
      post "/look-as", params: { who: "outside", back: back }
      assert_redirected_to "/"
    end
    delete "/look-as"
    sign_in @cy
    post "/look-as", params: { who: "outside" }
    assert_response :forbidden
  end

  test "whoever is no member any more looks no longer" do
    post "/look-as", params: { who: "outside" }
    @board.grant(holder(@ben), :keep)
    @ana.update!(role: "guest")
    get "/"
    assert_select ".looking", 0
  end
end
