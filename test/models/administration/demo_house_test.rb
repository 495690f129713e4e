require "test_helper"

class DemoHouseTest < ActiveSupport::TestCase
  # It is loaded once.
  test "the demo house is what the scenario says" do
    DemoHouse.load
    assert_rooms_and_texts
    assert_links
    assert_people_see
    assert_shows_what_can_be_done
  end

  private

  # Seven rooms, forty pages of real text, and editions by several hands.
  def assert_rooms_and_texts
    assert_equal [ "On Board", "Ships", "Ashore", "Passenger Care", "Crew & Pay", "Yard", "Ideas" ], Room.in_order.map(&:name)
    long = Page.where.not(edition_id: nil).select { |page| Zuhause::Document::Text.words(page.edition.document) >= 110 }
    assert_operator Page.count, :>=, 40
    assert_operator long.size, :>=, 38
    assert_equal Room.count, long.map(&:room_id).uniq.size
    assert_operator Page.find_by!(public_id: "gangwayice").editions.map(&:author_id).uniq.size, :>=, 3
    assert Edition.all.all? { |edition| edition.published_at.past? }
  end

  # Links lead somewhere, and some pages are promised.
  def assert_links
    wanted = Reference.where(target_kind: "page").distinct.pluck(:target_id)
    assert_empty wanted - Page.pluck(:public_id)
    assert_operator Reference.where(target_kind: "promise").distinct.count(:target_id), :>=, 5
  end

  def assert_people_see
    assert_equal [ [ "Yard" ], [ "Dogs, bicycles and freight", "Erstattungen", "Fragen der Fahrgäste", "Groups and school classes", "Gruppen und Schulklassen", "Hull and anodes", "Hunde, Fahrräder und Fracht", "Paint and its numbers", "Plan of the winter refit", "Questions passengers ask", "Refunds", "Reisen mit dem Rollstuhl", "Travelling with a wheelchair", "Who does what at the yard" ] ], seen("Gerd Moll") { |rooms| rooms - [ "Passenger Care" ] }
    assert_not_includes seen("Ida Karlow").first, "Ideas"
    assert_includes seen("Tom Ruud").first, "Ideas"
    assert_includes seen("Edda Lunn").last, "How a month is closed"
    assert_not_includes seen("Nils Abert").last, "How a month is closed"
    assert_empty seen("Olav Brend").flatten
    assert_equal [ "Dogs, bicycles and freight", "Erstattungen", "Fragen der Fahrgäste", "Groups and school classes", "Gruppen und Schulklassen", "Hunde, Fahrräder und Fracht", "Questions passengers ask", "Refunds", "Reisen mit dem Rollstuhl", "Travelling with a wheelchair" ], Page.seen_by(viewer(nil)).pluck(:title).sort
  end

  # Tables, tasks, live inserts, tags, pins, signposts and front pages.
  def assert_shows_what_can_be_done
    types = Edition.all.flat_map { |edition| Zuhause::Document::Walk.blocks(edition.document).map { |node| node["type"] } }.tally
    %w[table task_list fold columns contents_list passage live_insert gallery embed figure].each { |type| assert_operator types.fetch(type, 0), :>=, 1, type }
    assert_operator Reference.from_editions.where(use: "cite").distinct.count(:target_id), :>=, 2
    assert_operator Page.where.not(icon: nil).count, :>=, 8
    assert_equal 11, Page.where(language: "de").count
    assert_operator Sought.count_of_told, :>=, 2
    assert_operator KeptSearch.count, :>=, 3
    assert_equal [ "closing-checklist.docx", "winter-timetable.pdf" ], Section.where.not(page_file_id: nil).distinct.pluck(:heading).sort
    assert_equal [ "Handing over the watch" ], Template.all.map(&:title)
    assert_operator Tag.count, :>=, 4
    assert_operator Signpost.count, :>=, 5
    assert_equal "Welcome to the house", House.current.front_page.title
    assert Page.find_by!(public_id: "refundsxxx").shown_on(viewer(Person.find_by!(name: "Piet Harrow"))).exists?
  end

  def seen(name)
    viewer = viewer(Person.find_by!(name: name))
    rooms = Room.seen_by(viewer).in_order.map(&:name)
    [ block_given? ? yield(rooms) : rooms, Page.seen_by(viewer).pluck(:title).sort ]
  end
end
