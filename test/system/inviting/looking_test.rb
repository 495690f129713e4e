require "application_system_test_case"

# A keeper looks at a page as others see it, makes an address for a circle, and sees who is here.
class LookingInTheBrowserTest < ApplicationSystemTestCase
  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt", occupation: "Mate")
    @room = new_room("On Board", keeper: @ana, open: true)
    @page = new_page("Gangway", above: @room, by: @ana)
    @signals = new_page("Signals", above: @room, by: @ana).tap { |page| page.make_own_list(by: @ana) }
    @signals.reload.grant(holder(:everyone), :none)
    sign_in_as @ana
  end

  test "a keeper looks as a colleague, and as nobody in particular" do
    visit "/p/#{@page.to_param}/access"
    select "Ben Holt", from: "Look as somebody else"
    click_on "Look", exact: true
    assert_selector ".looking", text: "You look at the house as Ben Holt sees it."
    assert_selector "h1", text: "Gangway"
    within(".plan") do
      assert_text "Gangway"
      assert_no_text "Signals"
    end
    assert_accessible
    expect_problem("403")
    visit "/desk"
    assert_text "Not while you look as somebody else"
    assert_accessible
    click_on "Stop"
    assert_text "You see the house as yourself again."
    assert_no_selector ".looking"
    visit "/p/#{@page.to_param}/access"
    select "Somebody who is not signed in", from: "Look as somebody else"
    expect_problem("404")
    click_on "Look", exact: true
    assert_selector ".looking", text: "as it is seen without signing in"
    assert_no_text "Text of Gangway"
    click_on "Stop"
  end

  test "an address for a circle is made, used and ended" do
    visit "/p/#{@signals.to_param}/access"
    find_field("Last day that the address gives").set(Date.current + 5)
    click_on "Make an address"
    address = URI(find_field("The address, told this once").value).path
    assert_accessible
    using_session("Ben") do
      sign_in_as @ben
      visit address
      assert_accessible
      click_on "Come in"
      assert_selector "h1", text: "Signals"
    end
    visit "/p/#{@signals.to_param}/access"
    assert_text "1 person has used it"
    click_on "End it", exact: false
    assert_text "The address opens nothing any more."
  end

  test "colleagues are found, and what somebody can open is told with why" do
    visit "/"
    click_on "Colleagues"
    assert_selector ".colleagues li", count: 2
    assert_accessible
    fill_in "Names, groups, what they do", with: "mate"
    click_on "Find", exact: true
    assert_selector ".colleagues li", count: 1, text: "Ben Holt"
    visit "/people/#{@ben.public_id}/reach"
    assert_selector "h1", text: "What Ben Holt can open"
    assert_text "as everyone here"
    assert_accessible
    visit "/pages?of=guests"
    assert_accessible
  end
end
