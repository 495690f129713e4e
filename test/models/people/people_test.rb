require "test_helper"

class PeopleTest < ActiveSupport::TestCase
  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @deck = group("Deck", @ben)
    @room = new_room("On Board", keeper: @ana)
    @page = new_page("Gangway", above: @room, by: @ana)
  end

  test "emptying the only group that keeps a place is refused, with the reason" do
    @room.grant(holder(@deck), :keep)
    @room.grant(holder(@ana), :none)
    assert_not @deck.change(name: "Deck", people: [])
    assert_equal [ @ben ], @deck.reload.people
    assert_match "without anybody who keeps it", @deck.errors.full_messages.first
    assert @deck.change(name: "Deck crew", people: [ @ben, @ana ])
  end

  test "making the last keeper a guest is refused; suspending is not" do
    assert_not @ana.change(role: "guest")
    assert_equal "member", @ana.reload.role
    @page.make_own_list(by: @ana)
    assert_not @ana.change(role: "guest")
    assert @ana.reload.change(suspended: true)
    assert_empty @room.audience.keepers
    assert @ana.reload.change(name: "Anna Berg"), "a place that has no keeper anyway is in nobody's way"
  end

  test "one owner, and offices for members only" do
    person("Ida Karlow", office: "owner")
    assert_raises(ActiveRecord::RecordNotUnique) { person("Other Owner", office: "owner") }
    assert_predicate Person.new(name: "G", email: "g@x.example", password: "long enough", role: "guest", office: "administrator"), :invalid?
  end

  test "the database refuses what the models would" do
    [ "UPDATE people SET role = 'king'", "UPDATE people SET office = 'administrator', role = 'guest'", "UPDATE pages SET title = ''", "INSERT INTO houses (id, name, created_at, updated_at) VALUES (2, 'x', 0, 0)",
      "UPDATE access_grants SET level = 9", "UPDATE access_grants SET holder = 'group'", "UPDATE access_grants SET page_id = #{@page.id}", "UPDATE pages SET room_id = 999",
      "UPDATE drafts SET page_id = 999", "DELETE FROM people" ].each do |sql|
      assert_raises(ActiveRecord::StatementInvalid, sql) { ApplicationRecord.transaction(requires_new: true) { ApplicationRecord.connection.execute(sql) } }
    end
  end

  test "initials" do
    assert_equal %w[AB I MO], [ "Ana Berg", "Ida", "Mira van der Osk" ].map { |name| Person.new(name: name).initials }
  end
end
