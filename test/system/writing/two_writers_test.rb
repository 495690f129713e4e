require "application_system_test_case"

# Two people write on one page at once, at random: nothing is lost, and both see the same in the end.
class TwoWritersTest < ApplicationSystemTestCase
  ACTS = ENV["LONG"] ? 300 : 24

  test "whatever two write at once comes together, and no word is lost" do
    ana, ben = person("Ana Berg"), person("Ben Holt")
    room = new_room("On Board", keeper: ana)
    room.grant(holder(ben), :write)
    sheet = new_page("Drill", above: room, by: ana, markdown: TwoWriters::TEXT)
    visit "/sign-in" # the server is there
    address = "#{page.server.base_url}/p/#{sheet.public_id}/draft/edit"
    writers = TwoWriters.new(address, [ ana, ben ].map { |each| { name: SessionCookie::NAME, value: SessionCookie.of(each) } }, Random.new(SEED))
    writers.write(ACTS)
    shown = writers.together { |text| (writers.typed - text.split).empty? }
    assert_equal shown.first, shown.last, "SEED=#{SEED}"
    assert_empty writers.typed - shown.first.split, "SEED=#{SEED}"
    assert_equal shown.first.split.tally, Zuhause::Document::Text.of(sheet.reload.draft.document).scan(/[\p{L}\p{N}]+/).tally, "SEED=#{SEED}"
  ensure
    writers&.quit
  end
end
