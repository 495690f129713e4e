require "test_helper"

class GuessingTest < ActionDispatch::IntegrationTest
  setup { @ana = person("Ana Berg") }

  setup { Rails.cache.clear }

  test "after ten wrong passwords from one place the right one does not help there for a while, and nothing tells so; elsewhere it does" do
    10.times { sign_in_with("not this one") }
    wrong = words
    sign_in_with(HouseBuilding::PASSWORD)
    assert_response :unprocessable_entity
    assert_equal wrong, words
    get "/profile/edit"
    assert_response :not_found
    post "/sign-in", params: { person: { email: "nobody@ternholm.example", password: "not this one" } }
    assert_select ".said-alert", /Mail address and password do not match/
    elsewhere = open_session
    elsewhere.remote_addr = "192.0.2.9"
    elsewhere.post "/sign-in", params: { person: { email: @ana.email, password: HouseBuilding::PASSWORD } }
    assert_equal 303, elsewhere.response.status
    travel 16.minutes do
      sign_in_with(HouseBuilding::PASSWORD)
      assert_response :see_other
      get "/profile/edit"
      assert_response :success
    end
  end

  test "many attempts from one address are slowed down" do
    travel_to Time.current.beginning_of_minute + 10 # the count begins anew with each minute
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

  test "who is signed in is counted by person, not by the address of the office" do
    freeze_time
    Rack::Attack.enabled = true
    Rack::Attack.reset!
    ben = person("Ben Holt")
    sessions = [ @ana, ben ].map do |who|
      open_session.tap { |session| session.post "/sign-in", params: { person: { email: who.email, password: HouseBuilding::PASSWORD } } }
    end
    Rack::Attack::FINDINGS_A_MINUTE.times { sessions.first.get "/suggestions?q=" }
    sessions.each { |session| session.get "/suggestions?q=" }
    assert_equal [ 429, 200 ], sessions.map { |session| session.response.status }
    assert_equal "default-src 'none'", sessions.first.response.headers["content-security-policy"]
  ensure
    Rack::Attack.enabled = false
    Rack::Attack.reset!
  end

  test "logs hold no text, titles, names or addresses, and nothing that opens a door" do
    log = StringIO.new
    logger = ActiveSupport::Logger.new(log)
    was = [ Rails.logger, ActionController::Base.logger, ActionController::LogSubscriber.logger ]
    Rails.logger = ActionController::Base.logger = ActionController::LogSubscriber.logger = logger
    room = new_room("Harbour room", keeper: @ana)
    page = new_page("Gangway in ice", above: room, by: @ana)
    post "/sign-in", params: { person: { email: @ana.email, password: HouseBuilding::PASSWORD } }
    get "/p/#{page.to_param}"
    get "/find", params: { q: "sackcloth" }
    patch "/p/#{page.to_param}/title", params: { page: { title: "Frozen ramp" } }
    tokens = %w[come circle address feeds].map { |door| SecureRandom.urlsafe_base64(24).tap { |token| get "/#{door}/#{token}#{"/p/#{page.public_id}" if door == "feeds"}" } }
    Rails.logger, ActionController::Base.logger, ActionController::LogSubscriber.logger = was
    tokens.each { |token| assert_not_includes log.string, token }
    assert_includes log.string, page.public_id
    [ "gangway", "sackcloth", "frozen", "ramp", @ana.email, HouseBuilding::PASSWORD ].each { |word| assert_not_includes log.string.downcase, word.downcase }
  end

  private

  def sign_in_with(password)
    post "/sign-in", params: { person: { email: @ana.email, password: password } }
  end

  def words
    Nokogiri::HTML(response.body).css(".said").text.squish
  end
end
