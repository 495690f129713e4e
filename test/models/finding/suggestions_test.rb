require "test_helper"

class SuggestionsTest < ActiveSupport::TestCase
  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @room = new_room("On Board", keeper: @ana, open: true)
    @gangway = new_page("Gangway in ice", above: @room, by: @ana, markdown: "Salt the treads.\n\n# Between calls\n\nKnock the ropes off the bollards.")
    @mooring = new_page("Mooring", above: @room, by: @ana, markdown: "Ropes first.")
  end

  test "a slip anywhere in a word of a title is forgiven" do
    %w[gangwy gangwya agngway angway ganggway xangway gangwaz].each { |typed| assert_equal [ @gangway ], offered(typed), typed }
  end

  test "words too short for a slip stand beside one that has one" do
    pontoon = new_page("Half a pontoon at B", above: @room, by: @ana, markdown: "Words.")
    [ "half a pontoom", "a pontoom at b", "b pontoom" ].each { |typed| assert_equal [ pontoon ], offered(typed), typed }
    assert_empty offered("x pontoom")
  end

  test "a slip in the title of a page that is not published is forgiven for those who see it" do
    draft = new_page("Bunkering", above: @room, by: @ana, publish: false)
    assert_equal [ draft ], offered("bunkerng", @ana)
    assert_empty offered("bunkerng", @ben)
  end

  test "sections are of other pages than those offered, the best of each" do
    new_page("Splicing", above: @room, by: @ana, markdown: "Ropes.\n\n# Short\n\nOf ropes, ropes.")
    suggestions = Suggestions.new("ropes", viewer(@ben))
    assert_empty suggestions.pages
    assert_equal [ "Gangway in ice", "Mooring", "Splicing" ], suggestions.sections.map { |result| result.page.title }.sort
    both = Suggestions.new("mooring", viewer(@ben))
    assert_equal [ [ @mooring ], [] ], [ both.pages, both.sections.map(&:page) ]
  end

  test "a word that stands in many sections leads to those that have it in their headings" do
    stub_const(SectionsFound, :ROWS_FOR_A_FEW, 2) do
      stub_const(SectionsFound, :SMALL, 0) { assert_includes Suggestions.new("calls ropes", viewer(@ben)).sections.map { |result| result.section.heading }, "Between calls" }
    end
  end

  test "what is put aside, and what stands below it, comes last" do
    old = new_page("Mooring, the old way", above: @room, by: @ana, markdown: "Ropes.")
    below = new_page("Mooring by hand", above: old, by: @ana, markdown: "Ropes.")
    other = new_page("Mooring by night", above: @room, by: @ana, markdown: "Ropes.")
    PutAside.put(old, by: @ana)
    assert_equal [ old.id, below.id ].sort, PutAside.page_ids.sort
    assert_equal [ [ @mooring, other ], [ below, old ] ], offered("mooring").each_slice(2).map { |pages| pages.sort_by(&:title) }
    PutAside.find_by!(page: old).end(by: @ana)
    assert_equal @mooring, offered("mooring").first
    assert_empty PutAside.known(viewer(@ben))
  end

  private

  def offered(typed, person = @ben)
    Suggestions.new(typed, viewer(person)).pages
  end
end
