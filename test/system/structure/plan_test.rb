require "application_system_test_case"

class PlanTest < ApplicationSystemTestCase
  setup do
    @ida = person("Ida Karlow")
    @room = new_room("On Board", keeper: @ida)
    @pages = %w[Drills Mooring Bunkering].map { |title| new_page(title, above: @room, by: @ida) }
    sign_in_as @ida
    visit "/p/#{@pages.first.to_param}"
  end

  test "pages are given their place by keyboard, and it is said aloud" do
    entry("Bunkering").send_keys [ :alt, :arrow_up ]
    assert_plan %w[Drills Bunkering Mooring]
    assert_selector "[data-spoken]", text: "Bunkering has been moved. It stands in On Board.", visible: :all
    page.active_element.send_keys [ :alt, :arrow_up ]
    assert_plan %w[Bunkering Drills Mooring]
    entry("Drills").send_keys [ :alt, :arrow_right ]
    assert_plan [ "Bunkering", [ "Drills" ], "Mooring" ]
    page.active_element.send_keys [ :alt, :arrow_left ]
    assert_plan %w[Bunkering Drills Mooring]
    page.active_element.send_keys [ :alt, :arrow_down ]
    assert_plan %w[Bunkering Mooring Drills]
    assert_accessible
  end

  test "pages are dragged to their place" do
    visit "/p/#{@pages.last.to_param}"
    assert_selector ".path", exact_text: "On Board"
    top = top_of("Mooring")
    drag entry("Bunkering"), entry("Drills")
    assert_plan [ "Drills", [ "Bunkering" ], "Mooring" ]
    assert_selector ".path", exact_text: "On Board › Drills"
    click_on "Undo"
    assert_plan %w[Drills Mooring Bunkering]
    assert_selector ".path", exact_text: "On Board"
    assert_equal top, top_of("Mooring"), "nothing shifts while something is said"
  end

  test "branches are loaded as they are opened, and stay open" do
    new_page("Man overboard", above: @pages.first, by: @ida)
    visit "/p/#{@pages.last.to_param}"
    assert_plan %w[Drills Mooring Bunkering]
    click_on "Pages below Drills"
    assert_plan [ "Drills", [ "Man overboard" ], "Mooring", "Bunkering" ]
    visit "/p/#{@pages.last.to_param}"
    assert_plan [ "Drills", [ "Man overboard" ], "Mooring", "Bunkering" ]
    click_on "Pages below Drills"
    assert_no_link "Man overboard"
  end

  test "headings and links stand in the plan and are moved by keyboard" do
    visit "/rooms/#{@room.public_id}"
    more_of_room "Heading in the plan"
    fill_in "Heading", with: "Every day"
    select "Mooring", from: "It stands before"
    assert_accessible
    click_on "Save"
    assert_plan [ "Drills", "Every day", "Mooring", "Bunkering" ]
    find(".tree-heading").send_keys [ :alt, :arrow_down ]
    assert_plan [ "Drills", "Mooring", "Every day", "Bunkering" ]
    entry("Bunkering").send_keys [ :alt, :arrow_up ]
    assert_plan [ "Drills", "Mooring", "Bunkering", "Every day" ]
    entry("Drills").send_keys [ :alt, :arrow_down ]
    assert_plan [ "Mooring", "Drills", "Bunkering", "Every day" ]
    more_of_room "Link in the plan"
    fill_in "Words of the link", with: "Drills, again"
    expect_problem "422"
    fill_in "Where it leads", with: "javascript:alert(1)"
    click_on "Save"
    assert_text "Leads to no page of this house and to no other site"
    fill_in "Where it leads", with: "#{current_origin}/p/#{@pages.first.to_param}"
    click_on "Save"
    click_on "Drills, again", match: :first
    assert_selector "h1", text: "Drills"
  end

  test "what may not be moved there is told, and the plan shown as it is" do
    visit "/p/#{@pages[2].to_param}"
    Page.find(@pages[1].id).move(to: @pages[2])
    expect_problem "422"
    entry("Bunkering").send_keys [ :alt, :arrow_right ]
    assert_selector ".plan-refused", text: "A page cannot stand below itself."
    assert_plan [ "Drills", "Bunkering", [ "Mooring" ] ]
  end

  test "a page goes into the bin and back, is renamed, and erased" do
    more "Put in the bin"
    assert_accessible
    click_on "Put in the bin"
    assert_text "The page is in the bin."
    assert_accessible
    assert_plan %w[Mooring Bunkering]
    click_on "Undo"
    assert_text "The page is back."
    assert_plan %w[Drills Mooring Bunkering]
    more "Put in the bin"
    click_on "Put in the bin"
    assert_text "The page is in the bin."
    visit "/rooms/#{@room.public_id}/bin"
    assert_text "erased for good on"
    assert_accessible
    click_on "Put back: Drills"
    assert_text "The page is back."
    assert_plan %w[Drills Mooring Bunkering]
    more "Rename"
    assert_accessible
    fill_in "Title", with: "Drills and practice"
    click_on "Rename"
    assert_selector "h1", text: "Drills and practice"
    assert_selector ".fact", text: "Edition 2"
    more "Put in the bin"
    click_on "Put in the bin"
    assert_text "The page is in the bin."
    visit "/rooms/#{@room.public_id}/bin"
    click_on "Erase for good: Drills and practice"
    assert_text "Nobody can bring them back."
    assert_accessible
    click_on "Erase for good"
    assert_text "One page has been erased."
    assert_not Page.exists?(@pages.first.id)
  end

  private

  def top_of(title)
    entry(title).evaluate_script("this.getBoundingClientRect().top").round
  end

  # Capybara's own dragging clicks a link that is dragged.
  def drag(what, onto)
    page.execute_script(<<~JS, what, onto)
      const [what, onto] = arguments
      const { left, top, width, height } = onto.getBoundingClientRect()
      const send = (element, type) => element.dispatchEvent(new DragEvent(type, { bubbles: true, cancelable: true, dataTransfer, clientX: left + width / 2, clientY: top + height / 2 }))
      const dataTransfer = new DataTransfer()
      send(what, "dragstart")
      if (!send(onto, "dragover")) send(onto, "drop")
      send(what, "dragend")
    JS
  end

  def current_origin
    URI(page.current_url).then { |uri| "#{uri.scheme}://#{uri.host}:#{uri.port}" }
  end

  def entry(title)
    find(".plan .leaf a:first-of-type", text: title, match: :first)
  end

  def more(choice)
    find("summary[title=More]").click
    click_on choice
  end

  def more_of_room(choice)
    visit "/rooms/#{@room.public_id}"
    find("main summary", text: "More").click
    click_on choice
  end

  # Titles as they stand; those below one in an array behind it.
  def assert_plan(expected)
    page.document.synchronize(5, errors: [ Capybara::ExpectationNotMet ]) do
      found = page.evaluate_script(<<~JS)
        (() => {
          const read = (list) => [...list.children].flatMap((entry) => [entry.querySelector(".leaf > :is(a, .tree-heading)").firstChild.textContent.trim(), ...[...entry.children].filter((child) => child.matches("ul")).map(read)])
          return read(document.querySelector(".plan .tree"))
        })()
      JS
      raise Capybara::ExpectationNotMet, "#{found} instead of #{expected}" unless found == expected
    end
    assert_selector ".plan .tree"
  end
end
