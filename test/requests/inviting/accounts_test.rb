require "test_helper"

# Accounts for many from a table, and the slips that come of them.
class AccountsTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  RIGHT = "name,mail,role,groups\nGita Nor,gita@x.example,member,Deck\nHedda Bral,hedda@x.example,guest,\n".freeze

  setup do
    @eve, @ben = person("Eve Lund", office: "administrator"), person("Ben Holt")
    @deck = group("Deck", @ben)
    sign_in @eve
  end

  test "a table is looked at first, then accounts and slips are made, and a code opens the way to a password once" do
    post "/accounts", params: { text: RIGHT }
    assert_select ".lead", text: /2 accounts are made/
    assert_select ".exposure", text: /1 comes into the group Deck/
    assert_equal 2, Person.count
    codes = make(RIGHT)
    gita = Person.find_by!(email: "gita@x.example")
    assert_equal [ 2, "member", [ @deck ], "no-store" ], [ codes.size, gita.role, gita.groups.to_a, response.headers["Cache-Control"] ]
    sign_out :person
    patch "/start", params: { code: codes.first.upcase.tr("-", " "), password: "short" }
    assert_response :unprocessable_entity
    patch "/start", params: { code: codes.first.upcase.tr("-", " "), password: "long enough it is" }
    assert_redirected_to root_path
    assert gita.reload.valid_password?("long enough it is")
    sign_out :person
    patch "/start", params: { code: codes.first, password: "another one, and long" }
    assert_response :unprocessable_entity
    assert_not gita.reload.valid_password?("another one, and long")
  end

  test "nothing is made if a line is wrong, unless one says so" do
    text = "#{RIGHT}Ben,#{@ben.email},member,\nCy,cy@x.example,member,Engine\n"
    post "/accounts", params: { text: text }
    assert_select ".rows li", text: /Line 4.*somebody here has the address/m
    assert_select ".rows li", text: /Line 5.*there is no such group/m
    assert_no_difference("Person.count") { post "/accounts", params: { text: text, looked: digest(text) } }
    assert_response :unprocessable_entity
    assert_difference("Person.count", 2) { post "/accounts", params: { text: text, looked: digest(text), only_right: "1" } }
    post "/accounts", params: { text: " ", looked: "x" }
    assert_response :unprocessable_entity
    assert_select ".field-wrong", 1
  end

  test "a file will do, and what was not looked at is not made" do
    file = Rack::Test::UploadedFile.new(StringIO.new("\uFEFFName;Mail\nÅsa Nor;asa@x.example\n"), "text/csv", original_filename: "people.csv")
    assert_no_difference("Person.count") { post "/accounts", params: { file: file } }
    assert_select "td", text: "Åsa Nor"
    assert_no_difference("Person.count") { post "/accounts", params: { text: "Mallory,m@x.example", looked: digest(RIGHT) } }
  end

  test "a code works up to its day, for somebody who is not suspended, and a new slip ends the one before" do
    code = Slip.write(@ben)
    other = Slip.write(@ben)
    assert_nil Slip.at(code)
    assert_nil Slip.at(other, now: (House.current.invitation_days + 1).days.from_now)
    assert_equal @ben, Slip.at(other).person
    @ben.change(suspended: true, by: @eve) && @ben.reload
    assert_nil Slip.at(other)
    assert_nil Slip.at("")
    assert_not_includes Slip.pluck(:token_digest).join, other.delete("-")
  end

  test "whoever has begun cannot be given a slip, so that no administrator comes into another's account" do
    post "/people/#{@ben.public_id}/slip"
    assert_response :not_found
    Slip.write(@ben)
    get "/people"
    assert_select ".rows li", text: /Ben Holt.*has not begun yet/m
    post "/people/#{@ben.public_id}/slip"
    assert_select ".slips code", 1
    @ben.reload.update!(password: "chosen by a mail")
    assert_empty Slip.all
    post "/people/#{@ben.public_id}/slip"
    assert_response :not_found
  end

  test "nobody but administrators makes accounts or slips, and nobody makes one for the owner" do
    owner = person("Ona Ruth", office: "owner")
    post "/people/#{owner.public_id}/slip"
    assert_response :forbidden
    sign_in @ben
    [ -> { get "/accounts/new" }, -> { post "/accounts", params: { text: RIGHT } }, -> { post "/people/#{@ben.public_id}/slip" } ].each { |act| act.call && assert_response(:forbidden) }
    assert_empty Slip.all
  end

  private

  def digest(text)
    OpenSSL::Digest::SHA256.hexdigest(text)
  end

  def make(text)
    post "/accounts", params: { text: text, looked: digest(text) }
    css_select(".slips code").map(&:text)
  end
end
