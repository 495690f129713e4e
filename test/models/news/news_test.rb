require "test_helper"

# Who is told of what, and why.
class NewsTest < ActiveSupport::TestCase
  setup do
    @ana, @ben, @cem, @gus = person("Ana Berg"), person("Ben Holt"), person("Cem Aydin"), person("Gus Ro", role: "guest")
    @room = new_room("On Board", keeper: @ana, open: true)
    @page = new_page("Gangway", above: @room, by: @ana)
    @below = new_page("Ice", above: @page, by: @ana)
    Telling.delete_all && SentMail.delete_all
  end

  test "followers of a page, of all above it, of its room and of its tag are told of a new edition, each once" do
    Follow.begin(@ben, @page)
    Follow.begin(@cem, @page, below: true)
    publish(@page)
    assert_equal [ [ "Ben Holt", "following" ], [ "Cem Aydin", "following" ] ], told
    publish(@below)
    assert_equal [ [ "Cem Aydin", "following" ] ], told
    @below.tag_with([ "ice" ], by: @ana)
    Follow.begin(@ben, Tag.find_by!(name: "ice")) && Follow.begin(@ben, @room)
    publish(@below)
    assert_equal [ [ "Ben Holt", "following" ], [ "Cem Aydin", "following" ] ], told
  end

  test "whoever keeps it is told what others do to it, and can stop that for one page" do
    @room.grant(holder(@ben), :write)
    publish(@page, by: @ben)
    assert_equal [ [ "Ana Berg", "keeping" ] ], told
    Follow.stop(@ana, @page)
    publish(@page, by: @ben)
    assert_empty told
    publish(@below, by: @ben)
    assert_equal [ [ "Ana Berg", "keeping" ] ], told
  end

  test "small changes are announced to nobody, and a practice room announces nothing" do
    Follow.begin(@ben, @page)
    publish(@page, small: true)
    assert_empty told
    practice = Room.open_practice(by: @ana)
    Follow.begin(@ben, practice)
    new_page("Trying", above: practice, by: @ana)
    assert_empty told
  end

  test "writers follow what they write, unless they would rather not, and what is stopped stays so" do
    @room.grant(holder(@ben), :write)
    publish(@page, by: @ben)
    publish(@page)
    assert_includes told, [ "Ben Holt", "following" ]
    Follow.stop(@ben, @page)
    publish(@page, by: @ben)
    told
    publish(@page)
    assert_empty told
    NewsSetting.create!(person: @cem, follows_own: false)
    @room.grant(holder(@cem), :write)
    publish(@below, by: @cem)
    assert_nil Follow.of(@cem, @below)
  end

  test "answers are told to whoever asked and to who answered before, and being named counts more than following" do
    Follow.begin(@cem, @page)
    asked = ask(@page, "How deep?", by: @ben)
    assert_equal [ [ "Ana Berg", "keeping" ], [ "Cem Aydin", "following" ] ], told
    asked.reply("Knee-deep.", by: @ana)
    assert_equal [ [ "Ben Holt", "answered" ], [ "Cem Aydin", "following" ] ], told
    asked.reply("At Vikness, @Ana Berg, deeper. @Cem Aydin knows.", by: @ben)
    assert_equal [ [ "Ana Berg", "named" ], [ "Cem Aydin", "named" ] ], told
  end

  test "a kept search that is followed tells of pages that it finds" do
    kept = KeptSearch.keep(Search.new("grit", viewer(@ben)), viewer(@ben))
    Follow.begin(@ben, kept)
    publish(@page, markdown: "Salt.")
    assert_empty told
    publish(@page, markdown: "Salt and grit.")
    assert_equal [ [ "Ben Holt", "following" ] ], told
  end

  test "nobody is told of what they may not see, then or later, and it is not counted" do
    pay = new_room("Pay", keeper: @ana)
    wages = new_page("Wages", above: pay, by: @ana)
    Follow.begin(@ben, wages) && Follow.begin(@gus, @room)
    publish(wages)
    publish(@page)
    assert_empty told
    pay.grant(holder(@ben), :read)
    publish(wages.reload)
    assert_equal [ 1, 1, 1 ], counts(@ben)
    pay.grant(holder(@ben), :none)
    assert_equal [ 0, 0, 0 ], counts(@ben)
    assert_empty SentMail.where(recipient: @ben.email)
    travel(2.days) { SendLettersJob.perform_now }
    assert_empty SentMail.where(recipient: @ben.email), "what waited is not sent after closing"
  end

  test "looking at the page is looking at its news, and news are grouped by page" do
    Follow.begin(@ben, @room)
    3.times { publish(@page) }
    publish(@below)
    list = NewsList.new(viewer(@ben))
    assert_equal [ 2, [ [ "Ice", { "published" => 1 } ], [ "Gangway", { "published" => 3 } ] ] ], [ list.count, list.groups(limit: 9).map { |group| [ group.place.title, group.acts ] } ]
    assert_equal "Ana Berg changed “Gangway” 3 times", NewsWords.new(viewer(@ben)).line(list.groups(limit: 9).last, title: true)
    Reading.record(@page.reload, by: @ben)
    assert_equal [ "Ice" ], NewsList.new(viewer(@ben)).groups(limit: 9).map { |group| group.place.title }
    assert_equal [ "Ice", "Gangway" ], NewsList.new(viewer(@ben), show: "followed").groups(limit: 9).map { |group| group.place.title }
    NewsList.new(viewer(@ben)).look_at
    assert_equal 0, Telling.waiting_for(viewer(@ben))
  end

  test "a notice goes to the people of a group, or to who reads in a room, with who has looked since" do
    deck = group("Deck", @ben, @ana)
    Notice.give(@page, to: deck, words: "Read it.", by: @ana)
    Notice.give(@page, to: @room, words: "", by: @ana)
    assert_equal [ [ "Ben Holt", "notice" ], [ "Ben Holt", "notice" ], [ "Cem Aydin", "notice" ] ], Telling.includes(:person).map { |telling| [ telling.person.name, telling.reason ] }.sort
    Reading.record(@page.reload, by: @ben)
    assert_equal [ [ "On Board", [ "Ben Holt" ], [ "Cem Aydin" ] ], [ "Deck", [ "Ben Holt" ], [] ] ], Notice.of(@page).map { |given| [ given.to.name, given.seen, given.unseen ] }
    assert_equal [ @ben.email, @ben.email, @cem.email ], SentMail.pluck(:recipient).sort
  end

  private

  def publish(page, by: @ana, small: false, markdown: "Words #{SecureRandom.hex(3)}.")
    page.reload && save_text(page, markdown, by: by)
    page.publish(version: page.draft.version, by: by, small: small)
  end

  # @return [Array<Array(String, String)>] who has been told since this was asked, and why
  def told
    Telling.includes(:person).map { |telling| [ telling.person.name, telling.reason ] }.sort.tap { Telling.delete_all }
  end

  def counts(person)
    [ NewsList.new(viewer(person)).count, NewsList.new(viewer(person)).groups(limit: 9).size, Telling.waiting_for(viewer(person)) ]
  end
end
