require "test_helper"

# All that somebody can open, with why: as far as whoever asks may know.
class ReachTest < ActiveSupport::TestCase
  setup do
    @ana, @ben, @eve = person("Ana Berg"), person("Ben Holt"), person("Eve Lund", office: "administrator")
    @cy = person("Cy Moor", role: "guest")
    @deck = group("Deck", @cy)
    @board, @pay = new_room("On Board", keeper: @ana, open: true), new_room("Pay", keeper: @ben)
    @gangway, @signals = new_page("Gangway", above: @board, by: @ana), new_page("Signals", above: @board, by: @ana)
    @wages = new_page("Wages", above: @pay, by: @ben)
    @gangway.grant(holder(@cy), :comment, ends_on: Date.current + 2)
    @signals.grant(holder(@deck), :read)
    @wages.grant(holder(@cy), :write)
  end

  test "administrators are told of all rooms, with no title that they do not see" do
    assert_equal({ "On Board" => [ [ :comment, :person, 1, [ "Gangway" ] ], [ :read, :group, 1, [ "Signals" ] ] ], "Pay" => [ [ :write, :person, 1, [] ] ] }, told(@cy, @eve))
    assert_equal 3, Reach.new(@cy, viewer(@eve)).count
  end

  test "keepers are told of what they keep, and nobody else of anything" do
    assert_equal [ "On Board" ], told(@cy, @ana).keys
    assert_equal({ "Pay" => [ [ :write, :person, 1, [ "Wages" ] ] ] }, told(@cy, @ben))
    assert_empty told(@cy, person("Dee Lind"))
  end

  test "it ends with its last day, with the switch and with a suspension" do
    travel(3.days) { assert_equal [ [ :read, :group, 1, [ "Signals" ] ] ], told(@cy, @eve)["On Board"] }
    @cy.change(suspended: true)
    assert_empty told(@cy, @eve)
    @cy.change(suspended: false)
    House.current.update!(guests: false)
    assert_empty told(@cy, @eve)
  end

  test "agrees with what each person sees, page by page" do
    [ @ana, @ben, @cy, @eve ].each do |one|
      seen = Page.seen_by(viewer(one)).where(room: Room.shared)
      assert_equal seen.count, Reach.new(one, viewer(@eve)).by_room.except(*Room.where.not(owner_id: nil)).values.flatten.sum(&:pages), one.name
    end
  end

  test "lists by audience: what is open to guests, and to anyone" do
    list = ->(filter, one = @ana) { PageList.new(viewer(one), filter: filter).pages.map(&:title) }
    assert_equal [ %w[Gangway Signals], [] ], %w[guests anyone].map { |filter| list.(filter) }
    House.current.update!(public_addresses: true)
    @signals.grant(holder(:anyone), :read)
    assert_equal [ %w[Gangway Signals], [ "Signals" ] ], %w[guests anyone].map { |filter| list.(filter) }
    House.current.update!(guests: false)
    assert_equal [ [ "Signals" ], %w[Wages] ], [ list.("guests"), list.("kept", @ben) ]
    House.current.update!(public_addresses: false, guests: true)
    travel(3.days) { assert_equal [ %w[Signals], [] ], %w[guests anyone].map { |filter| list.(filter) } }
    pages = [ @gangway, @signals, @wages ].map(&:reload)
    assert_equal [ [ :everyone, 1 ], [ :everyone, 1 ] ], PageList.new(viewer(@ana)).audiences_of(pages.first(2)).values
    assert_equal [ 2, 1 ], PageList.new(viewer(@ben)).audiences_of([ @wages ]).values.first
  end

  private

  def told(person, asker)
    Reach.new(Person.find(person.id), viewer(asker)).by_room.to_h { |room, rows| [ room.name, rows.map { |row| [ row.level, row.grant.holder.kind, row.pages, row.titled.map(&:title) ] } ] }
  end
end
