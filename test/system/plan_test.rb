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
    entry("Bunkering").drag_to(entry("Drills"), html5: true)
    assert_plan [ "Drills", [ "Bunkering" ], "Mooring" ]
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
    click_on "Erase for good: Drills and practice"
    assert_text "Nobody can bring them back."
    assert_accessible
    click_on "Erase for good"
    assert_text "One page has been erased."
    assert_not Page.exists?(@pages.first.id)
  end

  private

  def entry(title)
    find(".plan .leaf a:first-of-type", text: title, match: :first)
  end

  def more(choice)
    find("summary[title=More]").click
    click_on choice
  end

  # Titles as they stand; those below one in an array behind it.
  def assert_plan(expected)
    page.document.synchronize(5, errors: [ Capybara::ExpectationNotMet ]) do
      found = page.evaluate_script(<<~JS)
        (() => {
          const read = (list) => [...list.children].flatMap((entry) => [entry.querySelector(".leaf > a").firstChild.textContent.trim(), ...[...entry.children].filter((child) => child.matches("ul")).map(read)])
          return read(document.querySelector(".plan .tree"))
        })()
      JS
      raise Capybara::ExpectationNotMet, "#{found} instead of #{expected}" unless found == expected
    end
    assert_selector ".plan .tree"
  end
end
