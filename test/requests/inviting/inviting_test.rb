require "test_helper"

# Asking people in: by keepers and administrators, looked at first, taken once, and never more than whoever invites may give.
class InvitingTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  setup do
    @ana, @ben, @eve = person("Ana Berg"), person("Ben Holt"), person("Eve Lund", office: "administrator")
    @room = new_room("On Board", keeper: @ana)
    @page = new_page("Gangway", above: @room, by: @ana)
    House.current.update!(demo: true) # in which mails keep the secret of their links
    sign_in @ana
    get "/" # a first sign-in opens a room of one's own
  end

  test "several at once: those who are here are let in, the others get a mail; nothing is sent before it is looked at" do
    params = { page: @page.public_id, who: "Cy Moor <cy@x.example>\nben.holt@ternholm.example; dee@x.example", role: "guest", level: "comment", words: "See you there." }
    assert_no_difference([ "Invitation.count", "SentMail.count", "AccessGrant.count" ]) { post "/invitations", params: params }
    assert_select ".exposure", text: /2 mails are sent, to come in as guest.*At first they see 1 published page/m
    assert_select ".exposure", text: /Ben Holt is here already/
    assert_select ".exposure", text: /1 person.*Ben Holt/m
    send_looked_at(params, levels: %w[read comment write])
    assert_response :success # the levels have been changed, and are looked at once more
    send_looked_at(params, levels: %w[read comment write])
    assert_redirected_to "/p/#{@page.to_param}/access"
    assert_equal [ [ "cy@x.example", "read" ], [ "dee@x.example", "write" ] ], Invitation.order(:email).pluck(:email, :level)
    assert_equal :comment, Viewer.new(@ben).level_on(@page.reload)
    assert_equal %w[ben.holt@ternholm.example cy@x.example dee@x.example], SentMail.pluck(:recipient).sort
    assert_match(/See you there/, SentMail.find_by!(recipient: "cy@x.example").body)
    assert_equal 2, Happening.where(act: "invitation_sent", page: @page).count
  end

  test "whoever comes chooses a name and a password, once, and sees what was given" do
    token = invite("cy@x.example", place: @page, level: :comment, ends_on: Date.current + 3)
    reset!
    get "/come/#{token}"
    assert_select "input[name='person[password]']"
    patch "/come/#{token}", params: { person: { name: "", password: "short" } }
    assert_response :unprocessable_entity
    patch "/come/#{token}", params: { person: { name: "Cy Moor", password: "a long password", role: "member", office: "owner" } }
    cy = Person.find_by!(email: "cy@x.example")
    assert_redirected_to "/p/#{@page.to_param}"
    assert_equal [ "guest", "none", :comment ], [ cy.role, cy.office, Viewer.new(cy).level_on(@page.reload) ]
    follow_redirect!
    assert_response :success
    assert_equal %w[given invited], Happening.where(act: %w[given invited]).pluck(:act).sort
    reset!
    get "/come/#{token}"
    assert_response :not_found
    travel(4.days) { assert_equal :none, Viewer.new(cy).level_on(@page.reload) }
  end

  test "what was taken back, has expired, was sent again or is guessed opens nothing" do
    token = invite("cy@x.example", place: @page)
    delete "/invitations/#{Invitation.last.public_id}"
    assert_void(token)
    token = invite("cy@x.example", place: @page)
    travel(15.days) { assert_void(token) }
    sign_in @ana
    post "/invitations/#{Invitation.untaken.last.public_id}/sending"
    assert_void(token)
    assert_void("guessed")
    assert_void(Invitation.last.token_digest)
    reset!
    get "/come/#{SentMail.last.secret}"
    assert_response :success
  end

  test "it holds no more where whoever invited keeps the place no more, or may invite nobody" do
    @room.grant(holder(@eve), :keep)
    token = invite("cy@x.example", place: @page)
    @room.reload.grant(holder(@ana), :write)
    assert_void(token)
    @room.reload.grant(holder(@ana), :keep)
    House.current.update!(invited_by_keepers: "nobody")
    assert_void(token)
    House.current.update!(invited_by_keepers: "guests")
    @ana.update!(suspended: true)
    assert_void(token)
    @ana.update!(suspended: false)
    reset!
    get "/come/#{token}"
    assert_response :success
    @page.reload.put_in_bin(by: @ana)
    assert_void(token)
  end

  test "keepers invite whom the house lets them, administrators to the house, and nobody to what they do not keep" do
    { "nobody" => [], "guests" => %i[guest], "members" => %i[guest member] }.each do |set, roles|
      House.current.update!(invited_by_keepers: set)
      assert_equal roles, Inviting.new(Viewer.new(@ana), place: @page).roles
    end
    assert_equal [ [], [], %i[guest member] ], [ @ana, @ben, @eve ].map { |one| Inviting.new(Viewer.new(one)).roles }
    assert_equal [ [], [] ], [ @ben, @eve ].map { |one| Inviting.new(Viewer.new(one), place: @page).roles }
    House.current.update!(invited_by_keepers: "guests")
    post "/invitations", params: { page: @page.public_id, who: "cy@x.example", role: "member", level: "read" }
    assert_response :unprocessable_entity
    get "/invitations/new"
    assert_response :forbidden
    get "/invitations/new?group=#{group("Deck").public_id}"
    assert_response :forbidden
    sign_in @eve
    get "/invitations"
    assert_select ".rows", 0
  end

  test "a member is invited to the house and into a group, and waits nowhere twice" do
    deck = group("Deck", @ben)
    @room.grant(holder(deck), :read)
    first = invite("cy@x.example", by: @eve, role: :member, group: deck)
    invite("cy@x.example", place: @page, level: :write)
    again = invite("cy@x.example", by: @eve, role: :member, group: deck)
    assert_equal 2, Invitation.untaken.count
    assert_void(first)
    reset!
    patch "/come/#{again}", params: { person: { name: "Cy Moor", password: "a long password" } }
    cy = Person.find_by!(email: "cy@x.example")
    assert_equal [ "member", true, :write, 0 ], [ cy.role, deck.reload.people.include?(cy), Viewer.new(cy).level_on(@page.reload), Invitation.untaken.count ]
  end

  test "whoever has an account signs in and takes it; nobody else does" do
    token = invite("cy@x.example", place: @page)
    cy = Person.create!(name: "Cy Moor", email: "cy@x.example", password: HouseBuilding::PASSWORD, role: "guest")
    reset!
    get "/come/#{token}"
    assert_select "a", text: "Sign in"
    patch "/come/#{token}", params: { person: { name: "Cy", password: "a long password" } }
    assert_response :not_found
    sign_in @ben
    patch "/come/#{token}"
    assert_response :not_found
    sign_in cy
    patch "/come/#{token}"
    assert_redirected_to "/p/#{@page.to_param}"
    assert_equal :read, Viewer.new(cy).level_on(@page.reload)
  end

  test "what will not do is told beside its field, and nothing is lost" do
    { { who: "" } => /at least one/, { who: "Ana Berg" } => /no mail address in: Ana Berg/, { who: "cy@x.example", ends_on: "2001-01-01" } => /today or later/, { who: "cy@x.example", ends_on: "soon" } => /today or later/,
      { who: Array.new(201) { |i| "p#{i}@x.example" }.join(" ") } => /At most 200/ }.each do |given, words|
      post "/invitations", params: { page: @page.public_id, role: "guest", level: "read", words: "Kept.", **given }
      assert_response :unprocessable_entity
      assert_select ".wrong", text: words
      assert_select "textarea[name=words]", text: /Kept/
    end
    post "/invitations", params: { who: { a: 1 }, page: @page.public_id }
    assert_response :bad_request
  end

  private

  # @return [String] the token of the mail
  def invite(email, by: @ana, place: nil, group: nil, role: :guest, level: :read, ends_on: nil)
    inviting = Inviting.new(Viewer.new(by), place: place, group: group)
    entries = Zuhause::Inviting::MailAddresses.new(email).entries
    assert_includes inviting.roles, role
    inviting.invite(inviting.asked(entries, { email => level }), role: role, ends_on: ends_on)
    SentMail.last.secret
  end

  def assert_void(token)
    reset!
    get "/come/#{token}"
    assert_response :not_found
    assert_select "h1", text: "This invitation holds no more"
    patch "/come/#{token}", params: { person: { name: "Cy Moor", password: "a long password" } }
    assert_response :not_found
    assert_not Person.exists?(email: "cy@x.example")
  end

  def send_looked_at(params, levels:)
    looked = css_select("input[name=looked]").first["value"]
    post "/invitations", params: params.except(:who).merge(emails: css_select("input[name='emails[]']").map { |field| field["value"] }, names: css_select("input[name='names[]']").map { |field| field["value"].to_s }, levels: levels, looked: looked)
  end
end
