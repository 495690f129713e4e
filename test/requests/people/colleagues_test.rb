require "test_helper"

# The people of the house, for its members, each as they wish.
class ColleaguesTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  setup do
    @ana, @ben, @cy = person("Ana Berg"), person("Ben Holt"), person("Cy Moor", role: "guest")
    @deck = group("Deck", @ben)
    @board, @closed = new_room("On Board", keeper: @ana, open: true), new_room("Closed", keeper: @ben)
    @board.grant(holder(@deck), :keep)
  end

  test "members are told who is here, what they keep of what the asker sees, and what each tells" do
    sign_in @ben
    patch "/profile", params: { person: { occupation: "Mate of the <b>Tern</b>", contact: "Extension 12", spoken: "German", shows_email: "0" } }
    sign_in @ana
    get "/colleagues"
    assert_select ".colleagues li", 3
    assert_select ".colleagues li", text: /Ben Holt.*Mate of the <b>Tern<\/b>.*Deck.*Extension 12.*speaks German.*On Board/m
    assert_select ".colleagues li", text: /Closed|ben.holt@/, count: 0
    assert_select ".colleagues a[href='mailto:ana.berg@ternholm.example']"
    assert_select ".colleagues li", text: /Cy Moor.*Guest/m
    { "holt" => 1, "mate tern" => 1, "deck" => 1, "german" => 1, "%" => 0, "nobody" => 0 }.each do |words, found|
      get "/colleagues", params: { q: words }
      assert_select ".colleagues li", { count: found }, words
    end
  end

  test "guests are not told" do
    sign_in @cy
    get "/colleagues"
    assert_response :forbidden
    finding("Ben Holt") { |found, offered| assert_equal [ [], [] ], [ found, offered ] }
    sign_out @cy
    finding("Ben Holt") { |found, offered| assert_equal [ [], [] ], [ found, offered ] }
  end

  test "finding meets them by name, by what they do and by group, the list under the field by name alone" do
    @ben.update!(occupation: "Mate of the Térn", spoken: "German")
    sign_in @ana
    finding("ben holt") { |found, offered| assert_equal [ [ "Ben Holt" ], [ "Ben Holt" ] ], [ found, offered ] }
    finding("Hol") { |found, offered| assert_equal [ [ "Ben Holt" ], [ "Ben Holt" ] ], [ found, offered ] }
    finding("who is the mate of the tern?") { |found, offered| assert_equal [ [ "Ben Holt" ], [] ], [ found, offered ] }
    finding("german") { |found, _| assert_equal [ "Ben Holt" ], found }
    finding("deck") { |found, _| assert_equal [ "Ben Holt" ], found }
    [ "ben moor", "the", "%", "" ].each { |words| finding(words) { |found, offered| assert_equal [ [], [] ], [ found, offered ], words } }
    @ben.change(suspended: true)
    finding("Ben Holt") { |found, offered| assert_equal [ [], [] ], [ found, offered ] }
  end

  def finding(words)
    get "/find", params: { q: words }
    found = css_select(".found-people b").map(&:text)
    get "/suggestions", params: { q: words }
    yield found, css_select("[data-address^='/colleagues'] b").map(&:text)
  end

  test "who is suspended is not among them" do
    @ben.change(suspended: true)
    sign_in @ana
    get "/colleagues"
    assert_select ".colleagues li", text: /Ben Holt/, count: 0
  end
end
