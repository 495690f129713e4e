# Signing in, in a browser: with the cookie that the form would give, or through the form.
module SigningIn
  def sign_in_as(person)
    Capybara.current_session.server.boot
    page.driver.browser.execute_cdp("Network.setCookie", url: page.server_url, name: SessionCookie::NAME, value: SessionCookie.of(person), httpOnly: true, sameSite: "Lax")
    visit "/"
    assert_selector ".me[aria-label='You: #{person.name}']"
  end

  def sign_in_by_form(person)
    visit "/sign-in"
    fill_in "Mail address", with: person.email
    fill_in "Password", with: HouseBuilding::PASSWORD
    within("main") { click_on "Sign in" }
    assert_selector ".me[aria-label='You: #{person.name}']"
  end

  def sign_out
    find("summary .me").click
    click_on "Sign out"
    assert_selector "h1", text: "Sign in"
  end
end
