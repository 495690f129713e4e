require "test_helper"

class GuessingTest < ActionDispatch::IntegrationTest
  setup { @ana = person("Ana Berg") }

  test "after ten wrong passwords the right one does not help for a while, and nothing tells so" do
    10.times { sign_in_with("not this one") }
    wrong = words
    sign_in_with(HouseBuilding::PASSWORD)
    assert_response :unprocessable_entity
    assert_equal wrong, words
    post "/sign-in", params: { person: { email: "nobody@ternholm.example", password: "not this one" } }
    assert_select ".said-alert", /Email and password do not match/
    travel 16.minutes do
      sign_in_with(HouseBuilding::PASSWORD)
      assert_redirected_to "/"
    end
  end

  test "many attempts from one address are slowed down" do
    Rack::Attack.enabled = true
    Rack::Attack.reset!
    Rack::Attack::SIGN_INS_A_MINUTE.times { |i| post "/sign-in", params: { person: { email: "guess#{i}@x.example", password: "x" } } }
    assert_response :unprocessable_entity
    sign_in_with(HouseBuilding::PASSWORD)
    assert_response :too_many_requests
    assert_match(/Try again in \d+ second/, response.body)
    get "/sign-in"
    assert_response :ok
  ensure
    Rack::Attack.enabled = false
    Rack::Attack.reset!
  end

  private

  def sign_in_with(password)
    post "/sign-in", params: { person: { email: @ana.email, password: password } }
  end

  def words
    Nokogiri::HTML(response.body).css(".said").text.squish
  end
end
