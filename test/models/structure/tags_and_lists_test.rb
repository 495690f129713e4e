require "test_helper"

class TagsAndListsTest < ActiveSupport::TestCase
  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @deck = group("Deck", @ben)
    @room = new_room("On Board", keeper: @ana, open: true)
    @gangway = new_page("Gangway in ice", above: @room, by: @ana, at: 3.days.ago)
    @signals = new_page("Signals", above: @room, by: @ana, at: 1.day.ago)
    @wages = new_page("Wages", above: new_room("Pay", keeper: @ana), by: @ana, at: 2.days.ago)
  end

  test "names are cleaned, one tag for one word, and a tag that no page carries is gone" do
    assert_equal [ "ice", "cold decks" ], Tag.names_in(" ice ,cold  decks,, Ice")
    @gangway.tag_with([ "ice" ])
    @signals.tag_with([ "ICE", "light" ])
    assert_equal %w[ice light], Tag.by_name.map(&:name)
    @signals.tag_with([])
    assert_equal %w[ice], Tag.by_name.map(&:name)
    assert_not @signals.tag_with([ "x" * 41 ])
    assert_not @signals.tag_with(Array.new(Tag::MOST + 1) { |i| "tag #{i}" })
    assert_equal 1, Tag.count
  end

  test "who sees none of the pages that carry a tag does not meet it" do
    @wages.tag_with([ "secret" ])
    @gangway.tag_with([ "ice" ])
    assert_equal %w[ice], Tag.seen_by(viewer(@ben)).map(&:name)
    assert_equal %w[ice secret], Tag.seen_by(viewer(@ana)).by_name.map(&:name)
  end

  test "renaming keeps the tag, merges it with another of that name, and leaves pages one may not write" do
    [ @gangway, @signals, @wages ].each { |page| page.tag_with([ "ice" ]) }
    tag = Tag.find_by!(name: "ice")
    assert_equal tag, tag.rename("frost", pages: Page.writable_by(viewer(@ana)))
    assert_equal "frost", tag.reload.name
    @room.grant(holder(@ben), :write)
    other = tag.rename("rime", pages: Page.writable_by(viewer(@ben)))
    assert_equal [ %w[rime], %w[rime], %w[frost] ], [ @gangway, @signals, @wages ].map { |page| page.reload.tags.map(&:name) }
    other.rename("frost", pages: Page.writable_by(viewer(@ana)))
    assert_equal [ [ "frost", 3 ] ], Tag.all.map { |each| [ each.name, each.taggings.count ] }
    assert_includes tag.rename("", pages: Page.writable_by(viewer(@ana))).errors.attribute_names, :name
  end

  test "each list holds what somebody has to do with in that way" do
    Reading.record(@signals, by: @ben)
    @gangway.grant(holder(@deck), :write)
    save_text(@gangway.reload, "More grit.", by: @ben)
    binned = new_page("Old", above: @room, by: @ana)
    binned.put_in_bin(by: @ana)
    @signals.make_own_list(by: @ben)
    lists = { all: %w[Gangway\ in\ ice Signals], written: %w[Gangway\ in\ ice], kept: %w[Signals], shared: %w[Gangway\ in\ ice Signals], read: %w[Signals], drafts: %w[Gangway\ in\ ice], bin: [] }
    lists.each { |filter, titles| assert_equal titles, titles(@ben, filter), filter }
    assert_equal %w[Old], titles(@ana, :bin)
    assert_equal %w[Gangway\ in\ ice Signals Wages], titles(@ana, :all)
  end

  test "lists are sorted by title, change, keeper and reads" do
    3.times { |i| Reading.record(@wages, by: @ana, at: i.hours.from_now) }
    Reading.record(@signals, by: @ben)
    assert_equal [ 3, 1 ], PageList.new(viewer(@ana)).reads_of([ @wages, @signals ]).values_at(@wages.id, @signals.id)
    assert_equal %w[Signals Wages Gangway\ in\ ice], titles(@ana, :all, "changed")
    assert_equal %w[Wages Signals Gangway\ in\ ice], titles(@ana, :all, "reads")
    @signals.make_own_list(by: person("Aaron Abel"))
    @signals.reload.grant(holder(@ana), :none)
    assert_equal "Signals", titles(@ana, :all, "keeper").first
    assert_equal [ "Aaron Abel" ], PageList.new(viewer(@ana)).keepers_of([ @signals.reload ]).values.first
  end

  test "looking at a page once more within minutes is the same reading" do
    2.times { Reading.record(@signals, by: @ben) }
    assert_equal 1, Reading.sum(:times)
    Reading.record(@signals, by: nil)
    assert_equal 1, Reading.count
  end

  test "bins are emptied after the time that the house sets" do
    @gangway.put_in_bin(by: @ana, at: 31.days.ago)
    @signals.put_in_bin(by: @ana, at: 29.days.ago)
    House.current.update!(bin_days: 30)
    EmptyBinsJob.perform_now
    assert_equal [ @signals ], Page.binned.to_a
    assert_equal 1.day.from_now.to_date, @signals.erased_on
  end

  test "what has changed since one read it, small changes apart" do
    reader, room = person("Rea Lind"), new_room("Read", keeper: (keeper = person("Kim Orr")), open: true)
    pages = Array.new(3) { |i| new_page("Read #{i}", above: room, by: keeper) }
    travel_to(2.days.from_now) { pages.first(2).each { |page| Reading.record(page, by: reader) } }
    travel_to(3.days.from_now) { pages.each_with_index { |page, i| save_text(page.reload, "More #{i}.", by: keeper) && page.publish(version: page.draft.version, by: keeper, small: i == 1) } }
    changed = -> { PageList.new(viewer(reader), room: room, filter: "changed").pages.map(&:title) }
    assert_equal [ "Read 0" ], changed.call
    travel_to(4.days.from_now) { Reading.record(pages.first.reload, by: reader) }
    assert_empty changed.call
  end

  private

  def titles(person, filter, sort = nil)
    PageList.new(viewer(person), filter: filter.to_s, sort: sort).pages.map(&:title)
  end
end
