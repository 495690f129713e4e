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
    assert_match %r{http://localhost:3000/password/edit}, SentMail.last.text
  end

  test "a mail that went out is kept without the secret of its link" do
    kept = SentMail.keep(recipient: "a@b.example", subject: "S", body: "See /x?token=abc123", secret: "abc123", delivered: true)
    assert_equal "See /x?token=#{SentMail::SECRET}", kept.text
    assert_nil kept.secret
    assert_raises(ActiveRecord::ReadOnlyRecord) { kept.update!(body: "") }
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
    post "/people", params: { person: { name: "New", email: "new@x.example", password: "long enough", role: "member", office: "owner" } }
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
