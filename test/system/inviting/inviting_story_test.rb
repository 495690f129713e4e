require "application_system_test_case"

# An owner invites a member and a guest; both come through the mail. The guest asks for more, gets it up to a day, and loses it.
class InvitingStoryTest < ApplicationSystemTestCase
  include SeveralPeople

  setup do
    @ida = person("Ida Karlow", office: "owner")
    @room = new_room("Yard", keeper: @ida, open: true)
    @refit = new_page("The refit", above: @room, by: @ida)
    @prices = new_page("What it costs", above: @room, by: @ida)
    House.current.update!(demo: true) # whose mails keep the secret of their links
  end

  test "from the first invitation to the last day" do
    as(@ida) do
      visit "/people"
      click_on "Invite people"
      assert_accessible
      fill_in "Mail addresses", with: "Mira Osk <mira@x.example>"
      choose "Member"
      click_on "Look at it first"
      assert_text "1 mail is sent, to come in as member."
      assert_text "At first they see 2 published pages."
      assert_accessible
      click_on "Invite", exact: true
      assert_text "1 invitation has been sent."
      assert_selector ".tag", text: "waiting"
      assert_accessible

      visit "/p/#{@refit.to_param}/access"
      click_on "Invite by mail"
      expect_problem("422")
      fill_in "Mail addresses", with: "Gerd Moll"
      click_on "Look at it first"
      assert_selector ".wrong", text: "There is no mail address in: Gerd Moll."
      assert_accessible
      fill_in "Mail addresses", with: "Gerd Moll <gerd@yard.example>"
      click_on "Look at it first"
      assert_text "At first they see 1 published page."
      select "may comment", from: "Level of gerd@yard.example"
      click_on "Invite", exact: true
      assert_text "What you change here is shown once more"
      click_on "Invite", exact: true
      assert_text "1 invitation has been sent."
    end

    come("mira@x.example", "Mira Osk") do
      assert_selector ".plan", text: "Yard"
    end
    come("gerd@yard.example", "Gerd Moll") do
      assert_selector "h1", text: "The refit"
      expect_problem("404")
      visit "/p/#{@prices.to_param}"
      assert_text "Were you given this address?"
      assert_accessible
      fill_in "What you need it for", with: "For our offer"
      click_on "Ask for access"
      assert_text "If there is such a page, whoever keeps it has been asked."
    end

    as(@ida) do
      visit "/p/#{@prices.to_param}/access"
      assert_text "Gerd Moll"
      assert_text "For our offer"
      assert_accessible
      find_field("Last day of Gerd Moll").set(Date.current + 2)
      click_on "Let in: Gerd Moll"
      assert_text "It counts up to and with"
      assert_accessible
      click_on "Give it"
      assert_text "Access has been changed."
    end

    using_session("Gerd Moll") do
      visit "/p/#{@prices.to_param}"
      assert_selector "h1", text: "What it costs"
      travel 3.days
      visit "/p/#{@prices.to_param}"
      assert_text "Were you given this address?"
      visit "/p/#{@refit.to_param}"
      assert_selector "h1", text: "The refit"
    end
  ensure
    travel_back
  end

  private

  def come(email, name)
    using_session(name) do
      visit "/come/#{SentMail.find_by!(recipient: email).secret}"
      assert_accessible
      fill_in "Name", with: name
      fill_in "Password", with: "rope-and-lantern"
      click_on "Come in"
      assert_text "Welcome to"
      yield
    end
  end
end
