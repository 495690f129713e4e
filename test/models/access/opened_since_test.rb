require "test_helper"

# Since when, by whom and from where pages are open to guests and to anyone.
class OpenedSinceTest < ActiveSupport::TestCase
  setup do
    @ana, @ben, @cy = person("Ana Berg"), person("Ben Holt"), person("Cy Marsh", role: "guest")
    @room = new_room("Yard", keeper: @ana)
    @page = new_page("Refit", above: @room, by: @ana)
    @below = new_page("Anodes", above: @page, by: @ana)
    @own = new_page("Wages", above: @page, by: @ana).tap { |page| page.make_own_list(by: @ana) }
    House.current.update!(public_addresses: true)
  end

  test "told of the page that it was given on, and of whoever gave it last" do
    travel_to(9.days.ago) { give(@page, holder(@cy), :read, by: @ana) }
    travel_to(3.days.ago) { give(@page, holder(@cy), :comment, by: @ben, act: :changed) }
    assert_equal [ [ "Refit", "Ben Holt", 3.days.ago.to_date ] ] * 2, [ @page, @below ].map { |page| told(page, "guests") }
    assert_nil told(@own, "guests"), "its own list takes nothing from above"
    assert_nil told(@page, "anyone")
  end

  test "of a room, a group that a guest is in, and anyone; what is switched off or has ended opens nothing" do
    deck = group("Deck", @ben)
    give(@room, holder(deck), :read, by: @ana)
    assert_nil told(@below, "guests")
    deck.change(name: "Deck", people: [ @ben, @cy ], by: @ana)
    assert_equal [ "Yard", "Ana Berg" ], told(@below, "guests").first(2)
    give(@own, holder(:anyone), :read, by: @ana)
    assert_equal [ "Wages", "Ana Berg" ], told(@own, "anyone").first(2)
    House.current.update!(public_addresses: false)
    assert_nil told(@own, "anyone")
    give(@page, holder(@cy), :read, by: @ana, ends_on: Date.current + 1)
    travel(3.days) { assert_equal "Yard", told(@below, "guests").first }
  end

  test "many pages take as many queries as one" do
    pages = Array.new(12) { |i| new_page("Page #{i}", above: @page, by: @ana) }
    give(@page, holder(@cy), :read, by: @ana)
    counts = [ pages.first(1), pages ].map { |some| queries { OpenedSince.of(Page.where(id: some.map(&:id)).to_a, to: "guests") } }
    assert_equal counts.first, counts.last
  end

  private

  def give(place, to, level, by:, act: :given, ends_on: nil)
    place.record_access(act, by: by, exposure: nil, holder: to, level: level) { place.grant(to, level, ends_on: ends_on) }
  end

  def told(page, to)
    OpenedSince.of([ page.reload ], to: to)[page]&.then { |found| [ found.place.is_a?(Room) ? found.place.name : found.place.title, found.by&.name, found.at.to_date ] }
  end
end
