# Signing in through the form, in a browser.
module SigningIn
  def sign_in_as(person)
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
end
