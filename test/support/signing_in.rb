# Signing in, in a browser: with the cookie that the form would give, or through the form.
module SigningIn
  COOKIE = Rails.application.config.session_options.fetch(:key)

  def sign_in_as(person)
    Capybara.current_session.server.boot
    page.driver.browser.execute_cdp("Network.setCookie", url: page.server_url, name: COOKIE, value: session_cookie(person), httpOnly: true, sameSite: "Lax")
    visit "/"
    assert_selector ".me[aria-label='You: #{person.name}']"
  end

  def sign_in_by_form(person)
    visit "/sign-in"
    fill_in "Email", with: person.email
    fill_in "Password", with: HouseBuilding::PASSWORD
    within("main") { click_on "Sign in" }
    assert_selector ".me[aria-label='You: #{person.name}']"
  end

  def sign_out
    find("summary .me").click
    click_on "Sign out"
    assert_selector "h1", text: "Sign in"
  end

  private

  def session_cookie(person)
    jar = ActionDispatch::Request.new(Rails.application.env_config.merge("HTTP_HOST" => "127.0.0.1", "rack.input" => StringIO.new)).cookie_jar
    session = { "session_id" => SecureRandom.hex(16), "warden.user.person.key" => Person.serialize_into_session(person), "warden.user.person.session" => { "sign_in" => SignIn.begin(person) } }
    jar.encrypted[COOKIE] = { value: session }
    Rack::Utils.escape(jar[COOKIE])
  end
end
