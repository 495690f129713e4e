# Joining two texts: of 10,000 words with a hundred changes on either side, to comparing them; a save that is joined, to the
# floor; and two people who write on one page in real browsers, at random, with cut lines, pages loaded anew and the server
# restarted. Run by bin/bench merging; SEED=, ROUNDS= and ACTS= repeat or prolong it.
require "net/http"
require_relative "../test/support/session_cookie"
require_relative "../test/support/two_writers"

class MergingBench
  PORT = 3995
  ROUNDS, ACTS = Integer(ENV.fetch("ROUNDS", "4")), Integer(ENV.fetch("ACTS", "100"))
  SEED = Integer(ENV.fetch("SEED") { rand(1_000_000) })

  def run
    House.create!(id: 1, name: "Merging")
    @ana, @ben = %w[a b].map { |name| Person.create!(name: "Writer #{name}", email: "#{name}@bench.example", password: "under-the-eaves") }
    @room = Room.new(name: "Room", colour: "brick").tap { |room| room.open_for(@ana, open: true) }
    @room.grant(Zuhause::Access::Holder.new(:person, @ben.id), :write)
    of_words
    of_saves
    ActiveRecord::Base.connection_handler.clear_all_connections!(:all)
    puts "two who write at once: seeds #{SEED} to #{SEED + ROUNDS - 1}, #{ACTS} acts each"
    failed = serving { ROUNDS.times.reject { |i| drill(SEED + i) } }
    abort "the drill failed" if failed.any?
  end

  private

  def of_words
    base, = LargeHouse.long_documents
    one, other = %w[one other].each_with_index.map { |word, seed| changed(base, word, Random.new(seed)) }
    comparing = measure("comparing two texts of 10,000 words, 200 changed") { Zuhause::Changes::Comparison.new(one, other).differences }
    sides = [ base, one, other ].each_with_index.map { |document, version| Zuhause::Merging::Side.new(document: document, title: "T", version: version) }
    measure("joining them", comparing) { Zuhause::Merging.merge(*sides) }
  end

  def changed(document, word, random)
    blocks = document["content"].sample(100, random: random).to_set { |node| node.dig("attrs", "id") }
    Zuhause::Document::Walk.rebuild(document) do |node|
      next node unless blocks.include?(node.dig("attrs", "id"))

      text = node["content"].first["text"].split
      text[random.rand(text.size)] = "#{word}#{random.rand(10_000)}"
      node.merge("content" => [ { "type" => "text", "text" => text.join(" ") } ])
    end
  end

  def of_saves
    sign_in "a@bench.example"
    floor = measure("floor: an empty form (profile)") { visit "/profile/password/edit" }
    page = page("Saved", Array.new(70) { |i| Array.new(70) { |n| "word#{(i * n) % 977}" }.join(" ") }.join("\n\n"))
    times = Array.new(RUNS) do |i|
      base = page.reload.draft
      save(page, base, "theirs#{i}", 3, @ben)
      time { save(page, base, "mine#{i}", 60, @ana) }
    end
    printf "%-52s %9.1f ms  %6.2f×\n", "a save that is joined, on a page of 4,900 words", times.sort[RUNS / 2], times.sort[RUNS / 2] / floor.median
  end

  def save(page, base, word, place, by)
    content = base.document["content"].dup
    content[place] = content[place].merge("content" => [ { "type" => "text", "text" => "#{content[place]["content"].first["text"]} #{word}" } ])
    Page.find(page.id).save_draft(State.new(title: page.title, document: base.document.merge("content" => content)), base_version: base.version, by: by)
  end

  def page(title, markdown)
    Page.begin(title: title, above: @room, by: @ana).tap { |page| page.save_draft(State.new(title: title, document: Zuhause::Markup::MarkdownReader.read(markdown).doc), base_version: 1, by: @ana) }
  end

  def drill(seed)
    sheet = page("Drill #{seed}", TwoWriters::TEXT)
    cookies = [ @ana, @ben ].map { |person| { name: SessionCookie::NAME, value: SessionCookie.of(person) } }
    writers = TwoWriters.new("http://127.0.0.1:#{PORT}/p/#{sheet.public_id}/draft/edit", cookies, Random.new(seed))
    2.times { |half| writers.write(ACTS / 2) && half.zero? && restart }
    one, other = writers.together { |text| (writers.typed - text.split).empty? }
    lost = writers.typed - one.split - other.split
    printf "seed %d: %d words typed, %d lost%s, %s\n", seed, writers.typed.size, lost.size, (" (#{lost.join(", ")})" if lost.any?), one == other ? "both show the same" : "they show different texts"
    one == other && lost.empty?
  ensure
    writers&.quit
  end

  def serving
    start
    yield
  ensure
    stop
  end

  def start
    @server = spawn({ "PORT" => PORT.to_s, "RAILS_LOG_LEVEL" => "fatal" }, "bin/rails", "server", "--binding", "127.0.0.1", "--pid", "tmp/bench-merging.pid", out: File::NULL, err: File::NULL)
    sleep 0.2 until up?
  end

  def stop
    Process.kill("TERM", @server)
    Process.wait(@server)
  end

  def restart
    stop
    start
  end

  def up?
    Net::HTTP.get_response("127.0.0.1", "/up", PORT).is_a?(Net::HTTPSuccess)
  rescue SystemCallError
    false
  end
end
