require "test_helper"

class DemoHouseTest < ActiveSupport::TestCase
  setup { DemoHouse.load }

  test "seven rooms, at least fifteen pages of real text, and editions by several hands" do
    assert_equal [ "On Board", "Ships", "Ashore", "Passenger Care", "Crew & Pay", "Yard", "Ideas" ], Room.in_order.map(&:name)
    long = Page.where.not(edition_id: nil).select { |page| Zuhause::Document::Text.words(page.edition.document) >= 200 }
    assert_operator long.size, :>=, 15
    assert_equal Room.count, long.map(&:room_id).uniq.size
    assert_operator Page.find_by!(public_id: "gangwayice").editions.map(&:author_id).uniq.size, :>=, 3
    assert Edition.all.all? { |edition| edition.published_at.past? }
  end

  test "links lead somewhere, and some pages are promised" do
    wanted = Reference.where(target_kind: "page").distinct.pluck(:target_page)
    assert_empty wanted - Page.pluck(:public_id)
    assert_operator Reference.where(target_kind: "promise").distinct.count(:promised_title), :>=, 5
  end

  test "people see what the scenario says" do
    assert_equal [ [ "Yard" ], [ "Hull and anodes", "Plan of the winter refit", "Questions passengers ask", "Travelling with a wheelchair" ] ], seen("Gerd Moll") { |rooms| rooms - [ "Passenger Care" ] }
    assert_not_includes seen("Ida Karlow").first, "Ideas"
    assert_includes seen("Tom Ruud").first, "Ideas"
    assert_includes seen("Edda Lunn").last, "How a month is closed"
    assert_not_includes seen("Nils Abert").last, "How a month is closed"
    assert_empty seen("Olav Brend").flatten
    assert_equal [ "Questions passengers ask", "Travelling with a wheelchair" ], Page.seen_by(viewer(nil)).pluck(:title).sort
  end

  private

  def seen(name)
    viewer = viewer(Person.find_by!(name: name))
    rooms = Room.seen_by(viewer).in_order.map(&:name)
    [ block_given? ? yield(rooms) : rooms, Page.seen_by(viewer).pluck(:title).sort ]
  end
end
