require "test_helper"

class RoomPatternsTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  setup do
    @eve = person("Eve Alm", office: "administrator")
    @ana, @ben, @cy = person("Ana Berg"), person("Ben Holt"), person("Cy Dahl")
    @deck = group("Deck", @ben)
    sign_in @eve
  end

  def keep(parts, name: "Department", **with)
    post room_patterns_path, params: { room_pattern: { name: name, description: "", everyone: "read", team: "write", parts: parts, **with } }
    RoomPattern.find_by(name: name)
  end

  def make(pattern, **with)
    post room_pattern_rooms_path(pattern), params: { room: { name: "Deckhands", colour: "moss" }, team: @deck.public_id, **with }
    Room.find_by(name: "Deckhands")
  end

  def parts
    [ { title: "What we do", shut: "0" }, { title: "Only for {team}", shut: "1" }, { title: " ", shut: "1" } ]
  end

  test "a room made from a pattern is open to the team and to everyone as it says, and its shut part to the team alone" do
    room = make(keep(parts), keeper: @ana.public_id)
    assert_redirected_to room
    assert_equal %i[keep write read none], [ @ana, @ben, @cy, person("Gil Ro", role: "guest") ].map { |one| viewer(one).level_on(room) }
    assert_equal [ "What we do", "Only for Deck" ], room.pages.order(:position).map(&:title)
    shut = room.pages.find_by!(title: "Only for Deck")
    assert_equal %i[keep write none none], [ @ana, @ben, @cy, @eve ].map { |one| viewer(one).level_on(shut) }
    assert_equal [ "room_made", @eve ], Happening.of_place(room).newest_first.first.then { |made| [ made.act, made.person ] }
  end

  test "a page begins from its template, and empty where that is closed to whoever makes the room" do
    home = new_room("Forms", keeper: @ana)
    form = new_page("Rota form", above: home, by: @ana, markdown: "Who is on watch?")
    form.create_template!(whole_house: true)
    pattern = keep([ { title: "Rota", template_key: form.public_id } ])
    assert_no_match(/watch/, make(pattern).pages.first.draft.document.to_s)
    Room.find_by(name: "Deckhands").update!(name: "Before")
    sign_in @ana
    assert_match(/watch/, make(pattern).pages.first.draft.document.to_s)
  end

  test "a member makes one too, and keeps it whomever they name" do
    pattern = keep(parts)
    sign_in @cy
    assert_equal %i[keep none], [ @cy, @ana ].map { |one| viewer(one).level_on(make(pattern, keeper: @ana.public_id).pages.last) }
  end

  test "without a team or a name nothing is made, and what was entered stays" do
    pattern = keep(parts)
    assert_no_difference [ "Room.count", "Page.count" ] do
      assert_nil make(pattern, team: "")
      assert_response :unprocessable_entity
      assert_select "#team_error"
      assert_select "input[name='room[name]'][value='Deckhands']"
      post room_pattern_rooms_path(pattern), params: { room: { name: "", colour: "moss" }, team: @deck.public_id }
      assert_response :unprocessable_entity
      assert_select "select[name=team] option[selected][value='#{@deck.public_id}']"
    end
  end

  test "a part that will not do leaves no room behind" do
    pattern = keep(parts)
    pattern.parts.first.update_columns(title: "x" * 500)
    assert_no_difference([ "Room.count", "Page.count" ]) { make(pattern) }
  end

  test "changing a pattern puts its pages in the order sent, and rooms made before stay as they are" do
    pattern = keep(parts)
    room = make(pattern)
    patch room_pattern_path(pattern), params: { room_pattern: { name: "Team", everyone: "none", team: "keep", parts: [ { title: "Only for {team}", shut: "1" }, { title: "Rotas" } ] } }
    assert_redirected_to room_patterns_path
    assert_equal [ [ "Only for {team}", true ], [ "Rotas", false ] ], pattern.reload.parts.map { |part| [ part.title, part.shut ] }
    assert_equal :read, viewer(@cy).level_on(room.reload)
    assert_equal 2, room.pages.count
  end

  test "levels and numbers beyond what is offered are refused with nothing changed" do
    assert_nil keep(parts, everyone: "keep")
    assert_response :unprocessable_entity
    assert_nil keep([ { title: "Page" } ] * 21)
    assert_select ".wrong", /more than 20/
    pattern = keep(parts)
    patch room_pattern_path(pattern), params: { room_pattern: { name: "", parts: [] } }
    assert_response :unprocessable_entity
    assert_equal 2, pattern.reload.parts.count
  end

  test "a deleted pattern leaves its rooms" do
    pattern = keep(parts)
    room = make(pattern)
    delete room_pattern_path(pattern)
    assert_empty RoomPattern.all
    assert_equal 2, room.pages.count
  end
end
