require "test_helper"

# Asking the house: answers as text, filters typed and set, the term list, and what closed pages change (nothing).
class AskingRequestsTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @room = new_room("On Board", keeper: @ana, open: true)
    @page = new_page("Lost property", above: @room, by: @ana, markdown: "What comes in.\n\n# How long we keep things\n\n- Phones: six weeks.\n- Bicycles: a year, because their owners come back.")
    @other = new_page("Winter timetable", above: @room, by: @ana, markdown: "The first ship leaves at 06:20.\n\n- [ ] Print it")
    sign_in @ben
  end

  test "the passage that answers stands first, as text, with where it stands, and why" do
    ask "how long are bicycles kept?"
    assert_select ".answer-text", "Bicycles: a year, because their owners come back."
    assert_select ".answer-from a", "Lost property › How long we keep things"
    assert_select ".answer mark", "Bicycles"
    assert_select ".why", /bicycles in the text; kept as “keep” in the heading/
  end

  test "what is not there is said, with what comes nearest, and what one can do" do
    ask "what is the password for the bicycles"
    assert_select ".answer", 0
    assert_select ".said", /Nothing here answers that well.*Not found at all: password/m
    assert_select ".found > li", minimum: 1
    assert_select ".offers a", "Write a page on it"
    ask "xylophone"
    assert_select ".lead", /Nothing that you can read has any of these words/
  end

  test "a slip is mended, and that is said" do
    ask "bicylces"
    assert_select ".said", /Nothing has “bicylces”\. Searched for bicycles instead/
    assert_select ".found > li a.row-main", /Lost property/
  end

  test "filters typed in plain words become pieces in the address, each to be taken away" do
    get "/find", params: { q: "ship in On Board, by Ana, with tasks" }
    assert_redirected_to find_path(q: "ship", room: @room.public_id, author: @ana.public_id, has: "tasks")
    follow_redirect!
    assert_select ".pieces .tag", 3
    assert_equal [ "Winter timetable" ], found
    assert_select ".pieces a[href=?]", find_path(q: "ship", room: @room.public_id, author: @ana.public_id), text: /with tasks/
    get "/find", params: { q: "ship in Nowhere by Zoe" }
    assert_response :ok, "what is no name is asked for"
  end

  test "each filter leaves what plain Ruby would leave" do
    other = new_room("Ashore", keeper: @ben, open: true)
    pages = 12.times.map do |i|
      page = new_page("Ship #{i}", above: i.even? ? @room : other, by: i % 3 == 0 ? @ben : @ana, markdown: i % 4 == 0 ? "- [ ] Ship" : "Ship.", at: (i * 9).days.ago)
      page.update!(language: "de") if i % 5 == 0
      page.tag_with([ "ice" ]) if i % 6 == 0
      page
    end
    tag = Tag.find_by!(name: "ice")
    everything = [ @page, @other, *pages ].select { |page| page.title.start_with?("Ship") || page == @other }
    { { room: other.public_id } => ->(page) { page.room == other }, { author: @ben.public_id } => ->(page) { page.edition.author == @ben }, { tag: tag.public_id } => ->(page) { page.tags.include?(tag) },
      { time: "month" } => ->(page) { page.edition.published_at > 30.days.ago }, { since: 20.days.ago.to_date.iso8601 } => ->(page) { page.edition.published_at >= 20.days.ago.beginning_of_day },
      { language: "de" } => ->(page) { page.language == "de" }, { has: "tasks" } => ->(page) { page.tasks.any? } }.each do |filter, keeps|
      get "/find", params: { q: "ship", **filter }
      assert_equal everything.map(&:reload).select(&keeps).map(&:title).sort, found.sort, filter.to_s
    end
  end

  test "words that mean the same are kept by members, and found by" do
    ask "velocipede"
    assert_empty found
    post "/terms", params: { term: { name: "bicycle", others_in_words: "velocipede, push bike", meaning: "Two wheels" } }
    assert_redirected_to "/terms"
    ask "velocipede"
    assert_equal [ "Lost property" ], found
    post "/terms", params: { term: { name: " ", others_in_words: "x" } }
    assert_response :unprocessable_entity
    assert_select ".field-wrong", 1
    post "/terms", params: { term: { name: "ship", others_in_words: Array.new(20) { |i| "boat#{i}" }.join(",") } }
    assert_select ".field-wrong", /more than 12/
    delete "/terms/#{Term.first.public_id}"
    assert_empty Term.all
    sign_in person("Gus Weir", role: "guest")
    get "/terms"
    assert_response :forbidden
  end

  # Whatever is written where one may not read changes nothing: neither order nor counts nor slips nor why.
  # In a small house all sections are scored; in a large one they are looked for in the index.
  { small: SectionsFound::SMALL, large: 0 }.each do |size, small|
    test "closed pages change nothing of an answer, in a #{size} house" do
      stub_const(SectionsFound, :SMALL, small) { assert_closed_pages_change_nothing }
    end
  end

  def assert_closed_pages_change_nothing
    asked = [ "how long are bicycles kept", "bicylces", "first ship", "salt", "velocipede", "winterfahrplan" ]
    before = asked.map { |text| plain(text) }
    closed = new_room("Ideas", keeper: @ana)
    20.times { |i| new_page("Bicycles #{i}", above: closed, by: @ana, markdown: "bicylces salt velocipede ship winter fahrplan kept #{"bicycles " * i}") }
    assert_equal before, asked.map { |text| plain(text) }
    hidden = new_page("Hidden", above: @room, by: @ana, markdown: "salt velocipede")
    hidden.make_own_list(by: @ana)
    hidden.grant(holder(:everyone), :none)
    CountedPage.catch_up
    assert_equal before, asked.map { |text| plain(text) }
  end

  test "what is counted follows moves, the bin, and lists that change" do
    count = -> { Vocabulary.new(viewer(@ben)).asked(Zuhause::Finding::Question.new("bicycles")).first.forms.any? && WordCount.where(word: "bicycles").sum(:sections) }
    assert_equal 1, count.call
    @page.put_in_bin(by: @ana)
    CountedPage.catch_up
    assert_equal 0, WordCount.where(word: "bicycles").sum(:sections)
    @page.reload.put_back_from_bin(by: @ana)
    CountedPage.catch_up
    assert_equal 1, count.call
    other = new_room("Closed", keeper: @ana)
    @page.reload.move(to: other, by: @ana)
    CountedPage.catch_up
    assert_equal other.access_list_id, WordCount.find_by(word: "bicycles").access_list_id
    assert_equal 0, CountedPage.catch_up, "nothing is left to be counted"
    @page.reload.put_in_bin(by: @ana).erase(by: @ana)
    assert_equal 0, WordCount.where(word: "bicycles").sum(:sections)
  end

  test "after editions of every sort what is counted is what counting everything anew comes to" do
    random = Random.new(Integer(ENV.fetch("SEED", "1125")))
    words = Array.new(30) { |i| "word#{i}" }
    pages = Array.new(3) { |i| new_page("Page #{i}", above: @room, by: @ana, markdown: words.sample(8, random: random).join(" ")) }
    20.times do
      page = pages.sample(random: random).reload
      blocks = page.draft.document["content"]
      blocks = blocks.reject { random.rand(6).zero? }.insert(random.rand(2), *written(words, random))
      page.save_draft(State.new(title: random.rand(3).zero? ? words.sample(2, random: random).join(" ") : page.title, document: page.draft.document.merge("content" => blocks)), base_version: page.draft.version, by: @ana)
      page.publish(version: page.draft.version, by: @ana)
      told = -> { Section.where(page: page).order(:id).map { |section| section.attributes.except("title") } }
      sections = told.call
      Section.where(page: page).delete_all
      Section.follow_edition(page, page.edition)
      assert_equal told.call, sections
    end
    told = -> { WordCount.order(:word, :access_list_id).pluck(:word, :access_list_id, :sections) }
    kept = told.call
    CountedPage.find_each(&:destroy!)
    assert_equal 0, WordCount.count
    CountedPage.catch_up
    assert_equal told.call, kept
    assert kept.all? { |_word, _list, sections| sections.positive? }
  end

  private

  def written(words, random)
    Zuhause::Markup::MarkdownReader.read("## #{words.sample(random: random)}\n\n#{words.sample(1 + random.rand(9), random: random).join(" ")}").doc["content"]
  end

  def ask(text)
    get "/find", params: { q: text }
  end

  def found
    css_select(".found > li .row-main").map { |link| link.text.split(" ›").first.strip }
  end

  def plain(text)
    ask(text)
    css_select("main").text.squish
  end
end
