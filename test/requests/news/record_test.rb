require "test_helper"

class RecordTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  setup do
    @ana, @ben, @eve = person("Ana Berg"), person("Ben Holt"), person("Eve Lund", office: "administrator")
    @open, @closed = new_room("On Board", keeper: @ana, open: true), new_room("Pay", keeper: @ana)
    @drills, @wages = new_page("Drills", above: @open, by: @ana), new_page("Wages of the winter", above: @closed, by: @ana)
    sign_in @eve
  end

  test "administrators read what was done; titles of what is closed to them stay closed" do
    @drills.move(to: @closed, by: @ana)
    Happening.write(:published, @wages, by: @ana)
    get "/record"
    assert_select ".record", /Ana Berg opened the room “On Board”/
    assert_select ".record", /Ana Berg opened the room “Pay”/
    assert_select ".record", /Ana Berg published a page that is not open to you/
    assert_not_includes response.body, "Wages of the winter"
    assert_not_includes response.body, "Drills", "it is closed by now"
  end

  test "titles that only a draft had, and what is gone, are told to whom they were open" do
    draft = new_page("Secret plan", above: @open, by: @ana, publish: false)
    save_text(draft, "Text.", by: @ana, title: "Open plan") && draft.publish(version: draft.draft.version, by: @ana)
    gone = new_page("Thrown away", above: @open, by: @ana)
    @wages.put_in_bin(by: @ana).erase(by: @ana)
    gone.put_in_bin(by: @ana).erase(by: @ana)
    get "/record"
    assert_select ".record", /Ana Berg published “Open plan”/
    assert_not_includes response.body, "Secret plan"
    assert_select ".record", /Ana Berg published “Thrown away”/
    assert_not_includes response.body, "Wages of the winter"
    @open.grant(holder(@eve), :write)
    get "/record"
    assert_select ".record", /Ana Berg began “Secret plan”/
  end

  test "it is narrowed by kind and by who did it, and told by fifty" do
    60.times { |i| Happening.write(:published, @drills, by: i.even? ? @ana : @ben, edition: i) }
    get "/record", params: { kind: "page", who: @ben.public_id }
    assert_select ".record li", 30
    get "/record", params: { kind: "page" }
    assert_select ".record li", 50
    get "/record", params: { kind: "page", page: 99 }
    assert_response :not_found
    get "/record", params: { kind: "nonsense", who: "nobody" }
    assert_select ".empty"
  end

  test "a room of somebody's own is nobody else's business" do
    own = Room.own_of(@ben)
    get "/record", params: { kind: "room" }
    assert_not_includes response.body, own.name
    assert_select ".record", /a room that is not open to you/
  end

  test "failed sign-ins are counted by the hour, and nothing of what was typed is kept" do
    delete "/sign-out"
    3.times { post "/sign-in", params: { person: { email: "my-password@x.example", password: "wrong" } } }
    sign_in @eve
    get "/record", params: { kind: "signing_in" }
    assert_select ".row-title", /3 sign-ins failed/
    assert_select ".record", /Eve Lund signed in\./
    kept = ActiveRecord::Base.connection.select_values("SELECT group_concat(hour || count) FROM failed_sign_ins") + Happening.pluck(:details, :title).flatten.map(&:to_s)
    assert_empty kept.grep(/my-password/)
  end

  test "the list of the record takes no more queries for more of it" do
    few, many = [ 2, 40 ].map do |number|
      number.times { |i| Happening.write(:published, new_page("Page #{number} #{i}", above: @open, by: @ana), by: @ana) }
      get "/record"
      queries { get "/record" }
    end
    assert_operator many, :<=, few + 2
  end

  test "latest changes tell each page once, by what happened last, of what one reads now, and no small changes" do
    sign_in @ben
    3.times { |i| save_text(@drills.reload, "Text #{i}.", by: @ana) && @drills.publish(version: @drills.draft.version, by: @ana, note: "Change #{i}") }
    save_text(@drills.reload, "Comma.", by: @ana) && @drills.publish(version: @drills.draft.version, by: @ana, note: "A comma", small: true)
    get "/"
    assert_select ".rows li", 1
    assert_select ".rows li", /Drills\s+Change 2/
    @drills.reload.move(to: @closed)
    get "/"
    assert_select ".rows li", 0
  end
end
