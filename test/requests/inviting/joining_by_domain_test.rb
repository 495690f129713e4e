require "test_helper"

# Joining by oneself, with an address of a domain that the house names.
class JoiningByDomainTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  setup do
    @eve = person("Eve Lund", office: "administrator")
    @page = new_page("Gangway", above: new_room("On Board", keeper: @eve, open: true), by: @eve)
    House.current.update!(joining_domains: "ternholm.example, @sound.example", demo: true)
  end

  test "whoever shows that an address is theirs becomes a member" do
    get "/sign-in"
    assert_select "a", text: "Come in for the first time"
    get "/join/new"
    assert_select ".lead", text: /ternholm.example or sound.example/
    post "/join", params: { email: "Gita@Sound.example " }
    assert_equal [ "gita@sound.example" ], SentMail.pluck(:recipient)
    get "/come/#{SentMail.last.secret}"
    patch "/come/#{SentMail.last.secret}", params: { person: { name: "Gita Nor", password: "a long password" } }
    gita = Person.find_by!(email: "gita@sound.example")
    assert_equal [ "member", "none", true ], [ gita.role, gita.office, Viewer.new(gita).sees?(@page) ]
  end

  test "the answer is the same for every address, and nothing is sent twice or to others" do
    answers = [ "gita@sound.example", "gita@sound.example", "gita@elsewhere.example", "gita@evil-sound.example", "gita@sound.example.evil.example", "eve.lund@ternholm.example", "nonsense", "a@b@sound.example", "x@sound.example\nBcc: y@z.example" ].map do |email|
      post "/join", params: { email: email }
      [ response.status, response.location, flash[:notice] ]
    end
    assert_equal [ 1, [ "gita@sound.example" ] ], [ answers.uniq.size, SentMail.pluck(:recipient) ]
  end

  test "it holds no more once the house names the domain no more" do
    post "/join", params: { email: "gita@sound.example" }
    House.current.update!(joining_domains: "ternholm.example")
    get "/come/#{SentMail.last.secret}"
    assert_response :not_found
    House.current.update!(joining_domains: "")
    get "/join/new"
    assert_response :not_found
    post "/join", params: { email: "gita@ternholm.example" }
    assert_response :not_found
  end

  test "naming a domain says first what it opens" do
    sign_in @eve
    patch "/house", params: { house: { joining_domains: "other.example" } }
    assert_select ".exposure", text: /Whoever has an address of other.example becomes a member by themselves, and sees 1 page/
    assert_equal "ternholm.example sound.example", House.current.joining_domains
    patch "/house", params: { house: { joining_domains: "other.example" }, confirmed: 1 }
    assert_equal "other.example", House.current.joining_domains
    patch "/house", params: { house: { joining_domains: "not a domain/" } }
    assert_response :unprocessable_entity
  end
end
