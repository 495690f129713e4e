require "application_system_test_case"

# What has changed in a page since somebody read it, in its text.
class MarkedSinceTest < ApplicationSystemTestCase
  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    room = new_room("On Board", keeper: @ana, open: true)
    @page = new_page("Gangway", above: room, by: @ana, markdown: "Salt the ramp.\n\nStow the rope.\n\nClose the gate.\n\nRing twice.\n\n| Stage | Tide |\n| --- | --- |\n| Vikness | low tide comes by noon |")
    EditionReading.create!(edition: @page.edition, person: @ben, read_at: 2.days.ago)
    @page.reload
    save_text(@page, "Grit the ramp.\n\nClose the gate.\n\nWarn the deck.\n\nWait.\n\nRing twice.\n\n| Stage | Tide |\n| --- | --- |\n| Vikness | low tide comes by night |", by: @ana)
    @page.publish(version: @page.draft.version, by: @ana)
    sign_in_as @ben
    visit page_path(@page)
  end

  test "words that are new, blocks that came and went, and what was there before" do
    assert_selector ".since [data-count]", text: "in 4 places"
    assert_equal [ "Grit", "night" ], all(".text ins").map(&:text)
    assert_equal [ "Warn the deck.", "Wait." ], all(".since-block").map { |block| block.text.sub(/ *New\z/, "") }
    assert_equal %w[Changed Taken\ out New Changed], all("[data-change]").map(&:text)
    4.times { find("body").send_keys "." }
    assert_selector ".change-here", text: "Changed"
    find("body").send_keys ",", ","
    gone = find(".change-here", text: "Taken out")
    gone.send_keys :enter
    assert_selector ".since-words del", text: "Stow the rope."
    assert_accessible
    gone.send_keys :enter
    assert_no_selector ".since-words"
  end

  test "gone once it has been seen" do
    assert_selector ".since-block", count: 2
    EditionReading.update_all(read_at: 1.hour.ago)
    visit page_path(@page)
    assert_no_selector ".since"
    assert_no_selector ".since-block"
  end
end
