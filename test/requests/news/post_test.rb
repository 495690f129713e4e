require "test_helper"

class PostTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  setup do
    @ana, @ben, @eve = person("Ana Berg"), person("Ben Holt"), person("Eve Lund", office: "administrator")
  end

  test "asking for a new password answers the same for everybody, and writes only to somebody" do
    answers = [ @ben.email, "nobody@ternholm.example" ].map do |email|
      post "/password", params: { person: { email: email } }
      [ response.status, response.location, flash[:notice] ]
    end
    assert_equal 1, answers.uniq.size
    assert_equal [ @ben.email ], SentMail.pluck(:recipient)
  end

  test "addresses in mails are the house's own, whatever a request claims" do
    post "/password", params: { person: { email: @ben.email } }, headers: { "Host" => "evil.example" }
    assert_match %r{http://localhost:3000/password/edit}, SentMail.last.body
  end

  test "a mail that went out is kept without the secret of its link" do
    kept = SentMail.keep(recipient: "a@b.example", subject: "S", body: "See /x?token=abc123", secret: "abc123")
    assert_equal [ "See /x?token=#{SentMail::SECRET}" ] * 2, [ kept.body, kept.whole ]
    assert_nil kept.secret
    assert_raises(ActiveRecord::ReadOnlyRecord) { kept.update!(body: "") }
  end

  test "office opens nobody's mail: kept mails bear no secrets, and only a demo house has mailboxes" do
    sign_in(@eve)
    post "/people/#{@ben.public_id}/password_mail"
    assert_nil SentMail.last.secret
    get "/mails/#{SentMail.last.id}"
    assert_select ".mail", /reset_password_token=#{SentMail::SECRET}/
    get "/mailbox/#{@ben.public_id}"
    assert_response :not_found
    House.current.update!(demo: true)
    post "/people/#{@ben.public_id}/password_mail"
    get "/mails/#{SentMail.last.id}"
    assert_select ".mail", /reset_password_token=#{SentMail::SECRET}/
    get "/mailbox/#{@ben.public_id}"
    assert_select ".mail a[href*='#{SentMail.last.secret}']"
    get "/mailbox/#{@ana.public_id}"
    assert_not_includes response.body, SentMail.last.secret
  end

  test "an address is changed once the old and the new one have agreed, and nobody but the owner changes the owner" do
    sign_in(@eve)
    House.current.update!(demo: true)
    patch "/people/#{@ben.public_id}", params: { person: { name: "Ben Holt", email: "New@x.example " } }
    assert_equal [ "ben.holt@ternholm.example", "new@x.example" ], SentMail.order(:id).pluck(:recipient)
    old, new = SentMail.order(:id).pluck(:secret)
    sign_out :person
    get "/address/#{old}"
    assert_select ".lead", /Ben Holt is to sign in with new@x.example in place of ben.holt@ternholm.example/
    patch "/address/#{old}"
    assert_equal "ben.holt@ternholm.example", @ben.reload.email
    patch "/address/#{new}"
    assert_equal "new@x.example", @ben.reload.email
    get "/address/#{new}"
    assert_response :not_found
    sign_in(@eve)
    patch "/people/#{@ben.public_id}", params: { person: { name: "Ben Holt", email: @ana.email } }
    assert_response :unprocessable_entity
    ida = person("Ida Karlow", office: "owner")
    { patch: [ "/people/#{ida.public_id}", { person: { name: "Other", email: "x@x.example" } } ], post: [ "/people/#{ida.public_id}/suspension", { confirmed: 1 } ], delete: [ "/people/#{ida.public_id}/sessions", {} ] }.each do |verb, (path, params)|
      send(verb, path, params: params)
      assert_response :forbidden, path
    end
    assert_equal [ "Ida Karlow", nil ], [ ida.reload.name, ida.suspended_at ]
  end

  test "signing out ends the session on the server, whoever kept a copy of its cookie; others go on" do
    post "/sign-in", params: { person: { email: @ben.email, password: HouseBuilding::PASSWORD } }
    copy = cookies["_zuhause_session"]
    other = open_session
    other.post "/sign-in", params: { person: { email: @ben.email, password: HouseBuilding::PASSWORD } }
    delete "/sign-out"
    cookies["_zuhause_session"] = copy
    get "/profile/edit"
    assert_response :not_found
    other.get "/profile/edit"
    assert_equal 200, other.response.status
    assert_equal 1, @ben.sign_ins.count
  end

  test "joining a group that something is given to is recorded there and told to who keeps it" do
    deck = group("Deck")
    room = new_room("On Board", keeper: @ana)
    room.grant(holder(deck), :read)
    sign_in(@eve)
    patch "/groups/#{deck.public_id}", params: { group: { name: "Deck", people: [ @eve.public_id ] }, confirmed: 1 }
    assert_equal [ [ @ana.email, "Eve Lund can get into On Board through Deck" ] ], SentMail.pluck(:recipient, :subject)
    sign_out :person
    sign_in(@ana)
    get "/rooms/#{room.public_id}/access"
    assert_select ".given li", /Eve Lund took Eve Lund into the Group Deck, to which the room is given\./i
  end

  test "keepers are told when an administrator takes over" do
    room = new_room("On Board", keeper: @ana)
    sign_in(@eve)
    post "/takeovers", params: { place: room.public_id }
    assert_equal [ [ @ana.email, "Eve Lund has taken over On Board" ] ], SentMail.pluck(:recipient, :subject)
  end

  test "making somebody a guest or suspending them says first what it closes" do
    room = new_room("On Board", keeper: @ana, open: true)
    new_page("Drills", above: room, by: @ana)
    sign_in(@eve)
    patch "/people/#{@ben.public_id}/role", params: { person: { role: "guest" } }
    assert_select ".exposure", /This closes 1 page to 1 person \(Ben Holt\)/
    assert_predicate @ben.reload, :member?
    patch "/people/#{@ben.public_id}/role", params: { person: { role: "guest" }, confirmed: 1 }
    assert_predicate @ben.reload, :guest?
    post "/people/#{@ana.public_id}/suspension"
    assert_select ".exposure", /This closes 1 page/
    post "/people/#{@ana.public_id}/suspension", params: { confirmed: 1 }
    assert_predicate @ana.reload, :suspended?
  end

  test "no form makes an owner, and none unmakes the owner" do
    ida = person("Ida Karlow", office: "owner")
    sign_in(@eve)
    patch "/people/#{@ben.public_id}/role", params: { person: { office: "owner" }, confirmed: 1 }
    patch "/people/#{ida.public_id}/role", params: { person: { office: "none" }, confirmed: 1 }
    House.current.update!(demo: true)
    post "/invitations", params: { who: "new@x.example", role: "member", office: "owner" }
    post "/invitations", params: { emails: [ "new@x.example" ], names: [ "" ], role: "member", office: "owner", looked: css_select("input[name=looked]").first["value"] }
    delete "/sign-out"
    patch "/come/#{SentMail.last.secret}", params: { person: { name: "New", password: "long enough it is", office: "owner", role: "owner" } }
    assert_equal [ "none", "owner", "none" ], [ @ben.reload.office, ida.reload.office, Person.find_by!(name: "New").office ]
  end

  test "ending sessions signs out everywhere, and administrators do it for others" do
    sign_in(@ben)
    get "/profile/edit"
    assert_response :success
    @ben.reload.end_sessions
    get "/profile/edit"
    assert_response :not_found
  end

  test "what is not a picture is refused, however it is called" do
    sign_in(@ben)
    [ "not a picture", "<svg xmlns='http://www.w3.org/2000/svg'><script>alert(1)</script></svg>", "%PDF-1.4", "" ].each do |content|
      post "/profile/picture", params: { picture: Rack::Test::UploadedFile.new(StringIO.new(content), "image/png", original_filename: "me.png") }
      assert_redirected_to "/profile/edit"
      assert_not @ben.reload.picture.attached?, content
    end
  end

  test "Active Storage has no doors of its own" do
    @ben.picture.attach(io: Rails.root.join("docs/screenshots/read.png").open, filename: "x.png")
    assert_empty Rails.application.routes.routes.select { |route| route.path.spec.to_s.include?("active_storage") }
    get "/rails/active_storage/blobs/redirect/#{@ben.picture.blob.signed_id}/x.png"
    assert_response :not_found
  end
end
