require "application_system_test_case"

# Giving access from the panel, by name.
class GivingInTheBrowserTest < ApplicationSystemTestCase
  test "two people are found, chosen and let in by a button that says so" do
    ana, ben, jon = person("Ana Berg"), person("Ben Holt"), person("Jon Vael")
    page = new_page("Gangway", above: new_room("On Board", keeper: ana), by: ana)
    sign_in_as ana
    visit "/p/#{page.to_param}"
    find("a.fact[data-panel]", match: :first).click
    within "dialog[open]" do
      fill_in "Find a person or a group", with: "holt"
      assert_no_field "Jon Vael", type: "checkbox"
      check "Ben Holt"
      fill_in "Find a person or a group", with: "vael"
      check "Jon Vael"
      assert_checked_field "Ben Holt"
      select "may write", from: "Level"
      assert_button "Open to Ben Holt and Jon Vael: may write, 1 page"
      assert_accessible
      click_on "Open to Ben Holt and Jon Vael: may write, 1 page"
    end
    assert_text "Access has been changed."
    assert_equal %i[write write], [ ben, jon ].map { |one| viewer(one).level_on(page.reload) }
    select "keeps it", from: "Level of Ben Holt"
    click_on "Give Ben Holt: keeps it, 1 page"
    assert_text "Access has been changed."
    assert_equal :keep, viewer(ben).level_on(page.reload)
  end
end
