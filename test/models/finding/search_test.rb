require "test_helper"

class SearchTest < ActiveSupport::TestCase
  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @room = new_room("On Board", keeper: @ana, open: true)
  end

  test "a word in the title comes before one in a heading before one in the text" do
    publish_page "Text", "Grit is in the box.\n\n# Other\n\nMore words."
    publish_page "Heading", "Words.\n\n# Where the grit is\n\nMore."
    publish_page "Grit by stage", "Words."
    assert_equal [ "Grit by stage", "Heading", "Text" ], found("grit")
  end

  test "it answers with the section and marks the words" do
    publish_page "Gangway", "Before.\n\n# Between calls\n\nThe tread freezes from spray.\n\n# Closing\n\nKnock the ropes."
    result = search("spray tread").results.first
    assert_equal [ "Between calls", "The \u0002tread\u0003 freezes from \u0002spray\u0003." ], [ result.section.heading, result.snippet ]
  end

  test "a title alone leads to the page's beginning, and a word of title and text together finds" do
    publish_page "Gangway in ice", "Before.\n\n# Between calls\n\nKnock the ropes."
    assert_equal 0, search("gangway").results.first.section.position
    assert_equal "Between calls", search("gangway ropes").results.first.section.heading
  end

  test "a word of the same family is found, also where stems were worked out by other rules before" do
    publish_page "Gangway", "Grit goes down when there is ice."
    assert_equal [ "Gangway" ], found("icy")
    right = Word.order(:word).pluck(:word, :english, :german, :backwards)
    Word.where(word: "ice").update_all(english: "eother")
    assert_empty search("icy").results
    assert_equal [ 1, right, 0 ], [ Word.stem_anew, Word.order(:word).pluck(:word, :english, :german, :backwards), Word.stem_anew ]
    assert_equal [ "Gangway" ], found("icy")
  end

  test "each page is found once, with its other sections beside it" do
    publish_page "Gangway", "# One\n\nGrit.\n\n# Two\n\nGrit.\n\n# Three\n\nSalt."
    results = search("grit").results
    assert_equal [ 1, 1 ], [ results.size, search("grit").count ]
    assert_equal %w[One Two], [ results.first.section, *results.first.others ].map(&:heading).sort
  end

  test "accents and case make no difference, and the last word may be unfinished" do
    publish_page "Über die Brücke", "Füße trocken."
    [ "uber brucke", "ÜBER", "fuße", "trock", "bruck" ].each { |words| assert_equal [ "Über die Brücke" ], found(words), words }
    assert_empty found("troc ")
    assert_equal [ "Über die Brücke" ], found("trocknen Füßen"), "another form of it"
  end

  test "drafts and what one may not read are not found" do
    publish_page "Open", "Grit."
    new_page("Draft", above: @room, by: @ana, markdown: "Grit.", publish: false)
    save_text(Page.find_by!(title: "Open"), "Salt.", by: @ana)
    new_page("Hidden", above: new_room("Ideas", keeper: @ana), by: @ana, markdown: "Grit.")
    assert_equal [ "Open" ], found("grit", @ben)
    assert_equal [ "Hidden", "Open" ], found("grit", @ana).sort
    assert_empty found("salt", @ana)
    assert_equal 1, search("grit", @ben).count
  end

  test "an edition takes the place of the one before it, and a rebuilt index says the same" do
    page = publish_page("Gangway", "Salt.")
    save_text(page, "Grit.", by: @ana, title: "Ramp")
    page.publish(version: page.reload.draft.version, by: @ana)
    assert_equal [ [], [], [ "Ramp" ], [ "Ramp" ] ], [ found("salt"), found("gangway"), found("grit"), found("ramp") ]
    Section.connection.execute("INSERT INTO section_index(section_index) VALUES('rebuild')")
    assert_equal [ [], [], [ "Ramp" ], [ "Ramp" ] ], [ found("salt"), found("gangway"), found("grit"), found("ramp") ]
    Section.connection.execute("INSERT INTO section_index(section_index, rank) VALUES('integrity-check', 1)")
  end

  test "what one read lately comes first among equals, and a title still before it" do
    publish_page "Old", "Grit."
    read = publish_page "Read", "Grit."
    publish_page "New", "Grit."
    publish_page "Grit by stage", "Words."
    assert_equal [ "Grit by stage", "Old" ], found("grit").first(2)
    Reading.record(read, by: @ben)
    assert_equal [ "Grit by stage", "Read" ], found("grit").first(2)
  end

  test "results are narrowed down by room, tag, author and time, each only as far as it is seen" do
    other = new_room("Ashore", keeper: @ben, open: true)
    new_page("Ashore", above: other, by: @ben, markdown: "Grit.", at: 40.days.ago)
    tagged = publish_page("Tagged", "Grit.")
    tagged.tag_with([ "ice" ])
    tag = Tag.find_by!(name: "ice")
    narrowed = ->(params, person = @ana) { Search.new("grit", viewer(person), filters: SearchFilters.new(params, viewer(person))).results.map { |result| result.page.title } }
    assert_equal [ %w[Ashore], %w[Tagged], %w[Ashore], %w[Tagged] ],
                 [ { room: other.public_id }, { tag: tag.public_id }, { author: @ben.public_id }, { time: "month" } ].map { |params| narrowed.call(params) }
    hidden = new_room("Ideas", keeper: @ana)
    assert_equal %w[Ashore Tagged], narrowed.call({ room: hidden.public_id }, @ben).sort
    assert_equal %w[Ashore Tagged], narrowed.call({ time: "aeon" }).sort
  end

  test "of words found everywhere as many pages are told as can be, and that there are more, whatever their age" do
    stub = Search::MOST
    Search.send(:remove_const, :MOST)
    Search.const_set(:MOST, 3)
    5.times { |i| publish_page("Page #{i}", "Grit.") }
    assert_equal [ true, 3, "Page 0" ], [ search("grit").more?, search("grit").count, found("grit").first ]
  ensure
    Search.send(:remove_const, :MOST)
    Search.const_set(:MOST, stub)
  end

  test "any input is safe" do
    publish_page "Gangway", "Grit."
    [ "", " ", "\"", "'", "*", "grit OR", "NEAR(", "title:grit", "grit\"; DROP TABLE pages; --", "%", "\u0000grit", "\xff", "-grit", "^grit", "(((", "{title} : x", "🙂", "a" * 10_000, "w " * 500, nil, [ "x" ], { a: 1 } ].each do |input|
      assert_kind_of Integer, search(input).count, input.inspect
      assert_kind_of Array, search(input).results
    end
    assert_equal [ "Gangway" ], found("grit*")
  end

  test "what is found by the index is found where all is scored, in the same order" do
    set_up_house unless House.current
    ana = person("Ana Small")
    room = new_room("Stores", keeper: ana, open: true)
    12.times { |i| new_page("Store #{i}", above: room, by: ana, markdown: "Rope #{i} and tar.\n\n# Where #{i}\n\n#{%w[salt grit lamp].first((i % 3) + 1).join(" and ")} in the shed number #{i}") }
    [ "salt", "where is the grit", "lamp in the shed", "rope and tar", "saltt", "number 7" ].each do |text|
      told = -> { Search.new(text, viewer(ana)).results.map { |result| [ result.page.title, result.section.position, result.score.total.round(6) ] } }
      few = told.call
      assert_operator few.size, :>, 0, text
      assert_equal few, stub_const(SectionsFound, :SMALL, 0) { told.call }, text
    end
  end

  private

  def publish_page(title, markdown)
    new_page(title, above: @room, by: @ana, markdown: markdown)
  end

  def search(words, by = @ben)
    Search.new(words, viewer(by))
  end

  def found(words, by = @ben)
    search(words, by).results.map { |result| result.page.title }
  end
end
