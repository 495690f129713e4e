require "test_helper"

# What is closed must not show sideways: whatever is written, tagged, cited and given in pages that somebody may not see,
# every screen says to the letter what it said before, in order, counts, suggestions and spelling.
class SidewaysTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  ROUNDS = Integer(ENV.fetch("ROUNDS", "1"))
  WORDS = %w[grit salt gangway ice sand rope lantern winter crew drill mooring swell].freeze
  ASKED = [ "grit", "salt ic", "gnagway", "lantern winter" ].freeze

  setup do
    @ana, @ben, @gus = person("Ana Berg"), person("Ben Holt"), person("Gus Moor", role: "guest")
    @open = new_room("On Board", keeper: @ana, open: true)
    @shown = Array.new(6) { |i| new_page("#{WORDS[i].capitalize} #{WORDS[i + 3]}", above: @open, by: @ana, markdown: "## #{WORDS[i + 1]}\n\n#{WORDS.rotate(i).first(5).join(" ")} and [sand](promise:Sand).", at: 10.days.ago) }
    @shown.first(3).each { |page| page.tag_with([ "winter", "crew" ]) }
    @shown.first(2).each { |page| page.grant(holder(@gus), :read) }
    @shown.last.grant(holder(:anyone), :read)
    House.current.update!(public_addresses: true)
    @said = @shown.map { |page| note(page, page.edition.state.page_text.blocks.last.text.split.first, by: @ben, body: "Grit here?") }
    @asked = @shown.first(4).map { |page| ask(page, "How much salt for page #{page.id}?", by: @ben) }
    @asked.first.reply("Much.", by: @ana)
    Remark.say(@open, kind: "line", body: "Salt is here.", shown_page: @shown.first, by: @ben)
    [ @ben, @gus ].each { |one| Follow.begin(one, @shown.first, below: true) }
    Follow.begin(@ben, @open) && Follow.begin(@ben, Tag.find_by!(name: "winter"))
    @work = Source.enter({ title: "Salt and steel" }, by: @ana)
  end

  ROUNDS.times do |round|
    test "closed pages, tags, sources and people change nothing that others see: round #{round}" do
      random = Random.new(SEED + round)
      before = everything
      8.times { close_something(random) }
      assert_operator Page.count, :>, @shown.size
      after = everything
      before.each { |(who, path), body| assert_equal body, after[[ who, path ]], "#{who || "signed out"} at #{path}, SEED=#{SEED}" }
    end
  end

  private

  # @return [Hash] bodies of what each may ask for, by who and where
  def everything
    Reading.where(person: [ @ben, @gus ]).delete_all
    Telling.update_all(seen_at: nil)
    { "Ben" => @ben, "Gus" => @gus, nil => nil }.flat_map do |name, who|
      reset!
      sign_in(who) if who
      get "/" # the first sign-in opens a room
      paths.map { |path| [ [ name, path ], get(path) && plain(response.body) ] }
    end.to_h
  end

  def paths
    asked = ASKED.flat_map { |words| %w[/find /suggestions /page_choices /passage_choices /place_choices /sources].map { |path| "#{path}?#{{ q: words }.to_query}" } }
    [ "/", "/pages", "/pages?by=reads", "/tags", "/rooms/#{@open.public_id}", "/rooms/#{@open.public_id}/pages", "/rooms/#{@open.public_id}/bin",
      "/news", "/news?show=all", "/changes", "/changes?small=1", "/profile/news/edit", "/reviews", "/to-be-published", "/pages?of=aside", "/questions", "/questions?show=done", "/questions?q=grit", "/rooms/#{@open.public_id}/thread", "/person_choices?q=ana",
      *@shown.flat_map { |page| [ "", "/editions", "/editions.atom", "/written-by", "/linked-from", "/related", "/peek?at=0", "/remarks", "/remarks.json", "/remarks?show=displaced", "/questions", "/questions/new?body=grit+salt", "/thread", "/files" ].map { |part| "/p/#{page.to_param}#{part}" } + [ "/page_choices?below=page:#{page.public_id}", "/mendings/new?from=page:#{page.public_id}" ] },
      "/desk", "/desk/promised", "/desk/promised/sands", "/desk/broken", "/desk/addresses", "/desk/addresses?show=unchecked", "/page_choices?below=", "/page_choices?below=room:#{@open.public_id}",
      *Tag.where(name: %w[winter crew]).map { |tag| "/tags/#{tag.to_param}" }, *asked ]
  end

  # Without what is new in every answer, and the names of people, whom members meet all.
  def plain(body)
    body.gsub(/(authenticity_token" value|csrf-token" content|nonce)="[^"]*"/, "").gsub(/<option value="[^"]*">Hand \d<\/option>\s*/, "").gsub(/<\/option>\s*(?=<)/, "</option>")
  end

  def close_something(random)
    words = WORDS.sample(3, random: random)
    above = [ hidden_room(random), hidden_room(random), @shown.sample(random: random) ].sample(random: random)
    page = Page.begin(title: random.rand(4).zero? ? "Sand" : words.first(2).join(" ").capitalize, above: above, by: @ana)
    page.make_own_list(by: @ana)
    page.access_grants.where.not(person_id: @ana.id).or(page.access_grants.where(person_id: nil)).each { |grant| page.grant(grant.to_grant.holder, :none) }
    hide_text(page.reload, words, random)
    case random.rand(6)
    when 0 then page.put_in_bin(by: @ana)
    when 1 then page.put_in_bin(by: @ana).erase(by: @ana)
    when 2 then page.move(to: @open)
    when 3 then split_and_join(page)
    when 4 then Mending.start(from: Zuhause::Links::Target.new(:page, @shown.sample(random: random).public_id), to: Zuhause::Links::Target.promise("Sand"), by: @ana, only: [ page.public_id ])
    end
  end

  def split_and_join(page)
    page.publish(version: page.draft.version, by: @ana) if page.unpublished_changes?
    part = PageSplitting.new(page, PageSplitting.headings(page).first.id).split(by: @ana)
    PageJoining.new(part, page.reload).join(by: @ana) if @joined
    @joined = true
  rescue PageJoining::Circle, PageJoining::Waiting, Page::Reviewed::Unreviewed
    nil
  end

  def hidden_room(random)
    @hidden ||= new_room("Pay", keeper: @ana)
    @hidden.grant(holder(person("Hand #{random.rand(9)}", role: %w[guest].first)), :read) if random.rand(2).zero?
    @hidden
  end

  def part_of(page)
    "#{page.public_id}##{page.edition.document["content"].first["attrs"]["id"]}"
  end

  def hide_text(page, words, random)
    page.tag_with([ WORDS.sample(random: random), "Winter", "hidden #{words.first}" ])
    save_text(page, "## #{words.last}\n\n#{(words * 20).join(" ")} [to](page:#{@shown.sample(random: random).public_id}) and [part](page:#{part_of(@shown.sample(random: random))}) on [a site](https://site#{random.rand(3)}.example/) and [sand](promise:Sand)[@#{@work.public_id}].", by: @ana)
    page.reload.publish(version: page.draft.version, by: @ana) if random.rand(3).positive?
    Reading.record(page, by: @ana)
    talk_on(page.reload, words)
    look_over(page) if random.rand(2).zero?
    whisper(@shown.sample(random: random))
  end

  # Ben may approve, and does not read it.
  def look_over(page)
    ReviewRule.of(page).set(people: [ @ben ], groups: [], by: @ana)
    save_text(page, "#{Zuhause::Markup::MarkdownWriter.write(page.draft.document)}\n\nMore.", by: @ana)
    page.reload.ask_for_review(by: @ana)
  end

  def talk_on(page, words)
    ask(page, "Where is the #{words.first}?", by: @ana).reply("In #{words.last}.", by: @ana)
    note(page, words.first, by: @ana, stage: "draft", body: "#{words.last}, @Ben Holt?")
    Remark.say(page, kind: "line", body: words.join(" "), by: @ana)
  end

  # What is said to a draft of a page that others read.
  def whisper(page)
    rewrite(page, "#{Zuhause::Markup::MarkdownWriter.write(page.reload.draft.document)}\n\nUntold #{@whispers = @whispers.to_i + 1} things.", by: @ana, publish: false)
    note(page.reload, "Untold #{@whispers}", by: @ana, stage: "draft", body: "Not yet.").reply("No.", by: @ana)
  end
end
