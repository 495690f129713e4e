require "test_helper"

# What is brought in where pages of the same titles stand already.
class ClashesTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers, Arriving

  setup do
    @ida, @ben = person("Ida Karlow"), person("Ben Ro")
    @room = new_room("On Board", keeper: @ida)
    @engine = new_page("Engine", above: @room, by: @ida, markdown: "Ours.")
    sign_in @ida
    get "/"
  end

  test "pages that are there already are told before any are made, one by one if wanted" do
    arrival = bring(manual)
    assert_no_difference("Page.count") { patch "/arrivals/#{arrival.public_id}", params: { above: @room.public_id } }
    assert_response :unprocessable_entity
    assert_select "[role=alert]", text: /Pages of the same titles are there already/
    assert_select ".arrived-clashes li", count: 1, text: /Engine\s+On Board/
    get "/arrivals/#{arrival.public_id}/place?above=#{@room.public_id}"
    assert_select ".arrived-place", text: /Who can read there: Only I\. 1 person can write there/
  end

  test "both are kept" do
    make bring(manual), clashes: "both"
    assert_equal 2, Page.where(title: "Engine").count
    assert_equal "Ours.", words(@engine)
  end

  test "ours stays as it is; links lead to it, and what stands below comes below it" do
    version = @engine.draft.version
    make bring(manual), clashes: "ours"
    assert_equal [ @engine ], Page.where(title: "Engine").to_a
    assert_equal [ version, "Ours." ], [ @engine.reload.draft.version, words(@engine) ]
    assert_equal [ @engine.public_id ], Page.find_by!(title: "Deck").links.where(use: "link").pluck(:target_id)
    assert_equal @engine, Page.find_by!(title: "Cold start").parent
  end

  test "theirs waits in the draft of ours, and readers see what they saw" do
    arrival = bring(manual)
    make arrival, clashes: "both", "clash[#{key(arrival, "manual/engine.md")}]": "theirs"
    assert_equal [ @engine ], Page.where(title: "Engine").to_a
    assert_equal [ "Theirs, of engines.", "Ours." ], [ words(@engine), Zuhause::Document::Text.of(@engine.edition.document) ]
    assert_equal 3, arrival.reload.pages.count
    assert_includes @engine.drafts.map { |draft| Zuhause::Document::Text.of(draft.document) }, "Ours."
  end

  test "what was decided for another place holds no more" do
    arrival = bring(manual)
    other = new_room("Ashore", keeper: @ida)
    ArrivalClashes.new(arrival, @room).decide(all: "ours")
    assert_equal [ "ours" ], arrival.files.pluck(:clash).compact
    make_in other, arrival
    assert_equal [ @room.id, other.id ], Page.where(title: "Engine").order(:id).pluck(:room_id)
  end

  test "a page that whoever brings it may not write is no clash, and nothing is told of it" do
    closed = new_room("Closed", keeper: @ben)
    closed.grant(holder(@ida), :write)
    secret = new_page("Engine", above: closed, by: @ben)
    assert_not_empty ArrivalClashes.new(bring(manual), closed).found
    secret.make_own_list(by: @ben)
    secret.grant(holder(@ida), :none)
    arrival = bring(manual)
    assert_empty ArrivalClashes.new(arrival, closed).found
  end

  test "a title that stands once elsewhere in the room is told as well; one that stands twice is not" do
    deck = new_page("Deck", above: @engine, by: @ida)
    arrival = bring(manual)
    assert_equal [ deck, @engine ].to_set, ArrivalClashes.new(arrival, @room).found.to_set(&:page)
    new_page("Deck", above: new_page("Stages", above: @room, by: @ida), by: @ida)
    assert_equal [ @engine ], ArrivalClashes.new(arrival, @room).found.map(&:page)
  end

  test "pages are in the language that their texts say" do
    make bring({ "a.html" => "<html lang='de-AT'><title>Ruder</title><p>Gut.</p>", "b.html" => "<html lang='tlh'><title>Oars</title><p>Well.</p>" })
    assert_equal({ "Ruder" => "de", "Oars" => nil }, Page.where(title: %w[Ruder Oars]).pluck(:title, :language).to_h)
  end

  test "the house sets how much comes in at once" do
    House.current.update!(arrival_megabytes: 10)
    post "/arrivals", params: { parts: "1" }
    post "/arrivals/#{Arrival.last.public_id}/sendings", params: { paths: [ "a.txt" ], files: [ Rack::Test::UploadedFile.new(StringIO.new("x" * 10.megabytes + "y"), "text/plain", original_filename: "a.txt") ] }
    assert_response :content_too_large
    assert_match(/10 MB/, response.parsed_body["error"])
  end

  private

  def manual
    { "manual.zip" => packed("manual/engine.md" => "# Engine\n\nTheirs, of engines.", "manual/engine/cold.md" => "# Cold start\n\nTurn.", "manual/deck.md" => "# Deck\n\nSee [engines](engine.md).", "manual/rope.md" => "# Rope") }
  end

  def packed(files)
    Zip::OutputStream.write_buffer { |out| files.each { |name, text| out.put_next_entry(name); out.write(text) } }.string
  end

  def make_in(room, arrival)
    patch "/arrivals/#{arrival.public_id}", params: { above: room.public_id, publish: "0", clashes: "both" }
    assert_response :see_other
  end

  def words(page)
    Zuhause::Document::Text.of(page.reload.draft.document)
  end
end
