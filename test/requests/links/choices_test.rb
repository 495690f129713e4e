require "test_helper"

# What is offered while somebody chooses what a link leads to, or what is shown.
class ChoicesTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  setup do
    @ana, @ben = person("Ana Koll"), person("Ben Rasch")
    @deck, @crew = new_room("Deck", keeper: @ana, open: true), new_room("Crew", keeper: @ana)
    @page = new_page("Gangway", above: @deck, by: @ana, markdown: passage("Salt"))
    @below = new_page("Steps", above: @page, by: @ana)
    @closed = new_page("Wages", above: @crew, by: @ana, markdown: passage("Pay"))
  end

  test "the plan is walked as each one sees it" do
    sign_in @ben
    assert_equal %w[Deck], get_json("/page_choices?below=").map { |each| each["title"] } - [ "Ben Rasch’s own room" ]
    top = get_json("/page_choices?below=room:#{@deck.public_id}")
    assert_equal [ [ "Gangway", "page:#{@page.public_id}" ] ], top.map { |each| each.values_at("title", "below") }
    assert_equal [ [ "Steps", nil ] ], get_json("/page_choices?below=page:#{@page.public_id}").map { |each| each.values_at("title", "below") }
    [ "room:#{@crew.public_id}", "page:#{@closed.public_id}", "room:nowhere", "nonsense" ].each do |below|
      get "/page_choices?below=#{below}", as: :json
      assert_response :not_found
    end
  end

  test "a page that others promise by that title comes first, of what one sees" do
    @below.rename("Log of the pump", by: @ana)
    new_page("Rounds", above: @deck, by: @ana, markdown: "See [Pump log](<promise:Pump log>).")
    new_page("Pay day", above: @crew, by: @ana, markdown: "See [Pump log](<promise:Pump log>) and [Pump pay](<promise:Pump pay>).")
    sign_in @ben
    assert_equal [ [ "Pump log", "1 page wants it" ], [ nil, nil ] ], get_json("/page_choices?q=pump+log&promised=1").map { |each| each.values_at("promised", "note") }
    assert_equal [ "Log of the pump" ], get_json("/page_choices?q=pump+log").map { |each| each["title"] }
    [ "pump+pay", "pump", "", "%20", "pump+log%23x" ].each { |typed| assert_empty(get_json("/page_choices?q=#{typed}&promised=1").filter_map { |each| each["promised"] }, typed) }
    sign_in @ana
    assert_equal [ "2 pages want it", "1 page wants it" ], %w[log pay].map { |word| get_json("/page_choices?q=pump+#{word}&promised=1").first["note"] }
  end

  test "passages are those that one reads, one's own first, with where they are shown" do
    new_page("Shows", above: @deck, by: @ana, markdown: "::: live_insert {page=\"#{@page.public_id}\" passage=\"#{Passage.find_by!(name: "Salt").block_id}\"}\n:::")
    mine = new_page("Mine", above: @deck, by: @ana, markdown: passage("Grit"))
    @deck.grant(holder(@ben), :write)
    save_text(mine, passage("Grit, finer"), by: @ben)
    mine.publish(version: mine.reload.draft.version, by: @ben)
    sign_in @ben
    told = get_json("/passage_choices?q=")
    assert_equal [ "Grit, finer", "Salt" ], told.map { |each| each["name"] }
    assert_match(/Gangway · shown on 1 page/, told.last["note"])
    assert_equal [ "Salt" ], get_json("/passage_choices?q=gang+sal").map { |each| each["name"] }
    sign_in @ana
    assert_includes get_json("/passage_choices?q=pay").map { |each| each["name"] }, "Pay"
    save_text(mine, "Nothing.", by: @ana)
    mine.publish(version: mine.reload.draft.version, by: @ana)
    assert_empty get_json("/passage_choices?q=grit")
  end

  private

  def passage(name)
    "::: passage {name=\"#{name}\"}\n\n#{name} first.\n\n:::"
  end

  def get_json(path)
    get path, as: :json
    response.parsed_body
  end
end
