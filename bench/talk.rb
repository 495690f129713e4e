# What is said, in the large house: a page with two hundred open notes, finding all their places after an edit, the board of five
# thousand questions. All of it is put in for as long as it is measured.
class TalkBench
  NOTES = 200
  QUESTIONS = 5_000
  WORDS = %w[salt grit rope lantern gangway watch stage night deck signal ferry harbour winter ice tread].freeze

  include Measuring

  def initialize(house)
    @house = house
  end

  def run
    Remark.transaction do
      Happening.quietly { fill }
      sign_in "p7@bench.example"
      floor = measure("floor: an empty form (profile)") { visit "/profile/password/edit" }
      bare = measure("a page of #{NOTES} paragraphs without notes", floor) { visit "/p/#{@bare.to_param}" }
      measure("the same with #{NOTES} open notes", floor) { visit "/p/#{@page.to_param}" }
      measure("one of them in full") { fragment "/remarks/#{@notes.first.public_id}?beside=edition" }
      places(bare)
      board(floor)
      raise ActiveRecord::Rollback
    end
  end

  private

  # Against showing the page, and against writing nothing but its HTML.
  def places(bare)
    document = @page.edition.document
    anchors = RemarkPlace.where(remark: @notes, stage: "edition").map(&:anchor)
    written = measure("the page's HTML alone", bare) { Zuhause::Markup::HTML.write(document) }
    { "one paragraph was" => edited(document, 1), "every paragraph was" => edited(document, NOTES) }.each do |name, changed|
      found = measure("finding #{NOTES} places after #{name} edited", bare) { Zuhause::Anchors.find_all(anchors, changed) }
      printf "%-52s %24.2f× of its HTML\n", "", found.median / written.median
    end
  end

  # Each of the first so many paragraphs begins with another word.
  def edited(document, count)
    document.merge("content" => document["content"].each_with_index.map { |block, i| i < count ? block.merge("content" => [ { "type" => "text", "text" => "Now #{Zuhause::Document::Text.of(block)}" } ]) : block })
  end

  def board(floor)
    { "p7" => "a reader of all", "p8" => "a reader of half", "guest" => "a guest of twenty pages" }.each do |who, name|
      clear_cookies
      sign_in "#{who}@bench.example"
      puts "#{name}:"
      measure("the board: #{QuestionBoard.new(Viewer.new(Person.find_by!(email: "#{who}@bench.example"))).count} without an answer", floor) { visit "/questions" }
      measure("the board, done", floor) { visit "/questions?show=done" }
      measure("the board, with two words", floor) { visit "/questions?q=salt+rope" }
    end
  end

  def fill
    @random = Random.new(1)
    writer = Person.find_by!(email: "p7@bench.example")
    @page, @bare = Array.new(2) { |i| text_page("Notes #{i}", writer) }
    state = @page.edition.state
    @notes = state.page_text.blocks.first(NOTES).map do |block|
      pointed = Remark::OnText::Pointed.new(stage: "edition", version: 1, block: block.id, start: 0, length: 12)
      Remark.note(@page, pointed, by: writer, body: "Is #{words(6)} so?")
    end
    ask(writer)
  end

  def text_page(title, by)
    above = Room.joins(:access_list).find { |room| Viewer.new(by).level_on(room) != :none }
    page = Page.begin(title: title, above: above, by: by)
    markdown = Array.new(NOTES) { |i| "Paragraph #{i} #{words(24)}." }.join("\n\n")
    page.save_draft(State.new(title: title, document: Zuhause::Markup::MarkdownReader.read(markdown).doc), base_version: 1, by: by)
    page.publish(version: 2, by: by)
    page
  end

  def ask(by)
    ids = Page.where(bin_root_id: nil).where.not(edition_id: nil).order(:id).limit(QUESTIONS).ids
    now = Time.current
    rows = Array.new(QUESTIONS) do |i|
      { public_id: PubliclyIdentified.generate, kind: "question", page_id: ids[i % ids.size], author_id: by.id, body: "Where is #{words(8)}?", standing: %w[open open answered doubted settled][i % 5], helped: i % 7, created_at: now - i.minutes }
    end
    Remark.insert_all!(rows)
    replies = Remark.of_kind("question").where.not(standing: "open").pluck(:id, :page_id).map { |id, page| { public_id: PubliclyIdentified.generate, kind: "reply", parent_id: id, page_id: page, author_id: by.id, body: "In #{words(10)}.", created_at: now } }
    replies.each_slice(500) { |some| Remark.insert_all!(some) }
  end

  def words(count)
    Array.new(count) { WORDS.sample(random: @random) }.join(" ")
  end

  def fragment(path)
    get(path, {}, "HTTP_X_FRAGMENT" => "1")
  end
end
