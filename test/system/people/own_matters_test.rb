require "application_system_test_case"

# What people do about themselves: signing in again, their picture, language and time.
class OwnMattersTest < ApplicationSystemTestCase
  test "a forgotten password is chosen anew by a mail, once" do
    ida = person("Ida Karlow", office: "owner")
    ben = person("Ben Holt")
    House.current.update!(demo: true)
    visit "/sign-in"
    click_on "Forgotten the password?"
    assert_accessible
    fill_in "Mail address", with: ben.email
    click_on "Send the mail"
    assert_text "If that address belongs to somebody here, a mail is on its way to it."
    visit "/sign-in"
    within(".demo-mailboxes") { click_on "Ben Holt" }
    assert_selector "h1", text: "Mailbox of Ben Holt"
    assert_accessible
    address = find(".mail a")[:href]
    visit URI(address).request_uri
    assert_accessible
    fill_in "New password", with: "a-lantern-at-sea"
    click_on "Save"
    assert_selector ".me[aria-label='You: Ben Holt']"
    sign_out
    visit URI(address).request_uri
    fill_in "New password", with: "something-else-now"
    click_on "Save"
    assert_text "This link is too old or has been used."

    expect_problem "422"
    sign_in_as ida
    visit "/mails"
    assert_selector ".row-main", text: "Your password for Ternholm Ferries has been changed"
    assert_accessible
    click_on "Choose a new password for Ternholm Ferries"
    assert_no_text address
    assert_text "reset_password_token=…"
    assert_accessible
  end

  test "a picture, the time zone and the language are one's own" do
    ben = person("Ben Holt")
    sign_in_as ben
    visit "/profile/edit"
    assert_accessible
    attach_file "picture", Rails.root.join("docs/screenshots/read.png")
    click_on "Take this one"
    assert_text "That is your picture now."
    assert_equal 192, page.evaluate_async_script("const done = arguments[0]; const image = new Image(); image.onload = () => done(image.naturalWidth); image.src = document.querySelector('.picture-row img').src")
    attach_file "picture", Rails.root.join("README.md")
    click_on "Take this one"
    assert_text "That is not a picture that can be read."
    select "English, month first", from: "Language"
    select "(GMT+05:30) New Delhi", from: "Time zone"
    click_on "Save"
    assert_text "Your profile has been changed."
    room = new_room("On Board", keeper: ben)
    new_page("Drills", above: room, by: ben, at: Time.utc(2026, 3, 5, 20))
    visit "/"
    assert_selector "time", text: "Mar 6"
  end

  test "sessions are ended everywhere else" do
    ben = person("Ben Holt")
    sign_in_as ben
    Capybara.using_session(:other) { sign_in_as ben }
    visit "/profile/edit"
    click_on "End all other sessions"
    assert_text "You are signed out everywhere but here."
    Capybara.using_session(:other) do
      expect_problem "404"
      visit "/profile/edit"
      assert_no_selector ".me"
    end
    visit "/profile/edit"
    assert_selector ".me"
  end
end
