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
  end

  test "who is suspended is not among them" do
    @ben.change(suspended: true)
    sign_in @ana
    get "/colleagues"
    assert_select ".colleagues li", text: /Ben Holt/, count: 0
  end
end
