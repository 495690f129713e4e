require "test_helper"

# Two pages made one, and a part of one made a page of its own: nothing that led there leads nowhere.
class JoiningTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  setup do
    @ana, @ben, @cy = person("Ana Koll"), person("Ben Rasch"), person("Cy Dorn")
    @deck, @crew = new_room("Deck", keeper: @ana, open: true), new_room("Crew", keeper: @ben)
    @into = new_page("Gangway", above: @deck, by: @ana, markdown: "Start.\n\n# In ice\n\nSalt.")
    @from = new_page("Ladder", above: @deck, by: @ana, markdown: "Start.\n\n# Steps\n\nGrit.")
    @steps = @from.edition.document["content"][1]["attrs"]["id"]
    @below = new_page("Rungs", above: @from, by: @ana)
    links = "[ladder](page:#{@from.public_id}) and [steps](page:#{@from.public_id}##{@steps})"
    @mine, @theirs = new_page("Mine", above: @deck, by: @ana, markdown: links), new_page("Theirs", above: @crew, by: @ben, markdown: links)
    sign_in @ana
  end

  test "text, subpages, tags and links come along, once where both say the same" do
    @from.tag_with([ "ice" ], by: @ana)
    get "/p/#{@from.to_param}/joining/new?into=Gangway"
    assert_select ".joining-sides .text", 2
    post "/p/#{@from.to_param}/joining", params: { into: @into.public_id, place: "after", once: "1" }
    assert_redirected_to "/p/#{@into.to_param}"
    assert_equal "Start.|In ice|Salt.|Ladder|Steps|Grit.", texts(@into.reload.edition)
    assert_equal [ @into, [ "ice" ] ], [ @below.reload.parent, @into.tags.map(&:name) ]
    assert_equal [ @into.public_id ] * 2, Zuhause::Links.in(@mine.reload.edition.document).map { |point| point.target.value }
    assert_includes shown(@mine, @ana), "/p/#{@into.to_param}#b-#{@steps}"
    assert_predicate @from.reload, :binned?
    assert_empty Reference.astray
  end

  test "what may not be written leads there all the same, for those who may see it, and so does the address" do
    join
    assert_equal [ @from.public_id ] * 2, Zuhause::Links.in(@theirs.reload.edition.document).map { |point| point.target.value }
    assert_includes shown(@theirs, @ben), "/p/#{@into.to_param}#b-#{@steps}"
    assert_equal [ "Mine", "Theirs" ], LinkedFrom.new(@into, Viewer.new(@ben)).by_room(limit: 9).map { |link| link.page.title }.sort
    get "/p/#{@from.to_param}"
    assert_redirected_to "/p/#{@into.to_param}"
    @into.change_access { @into.make_own_list(by: @ana) }
    @into.access_grants.where.not(holder: "person").destroy_all
    assert_empty BrokenLinks.new(Viewer.new(@ana)).targets(limit: 9)
    sign_in @cy
    @deck.access_grants.where(holder: "everyone").destroy_all
    @deck.reload.refresh_access_lists
    get "/p/#{@from.to_param}"
    assert_response :not_found
  end

  test "what it opens is looked at first" do
    closed = new_page("Closed", above: @crew, by: @ben, markdown: "Wages.")
    @deck.grant(holder(@ben), :write)
    sign_in @ben
    assert_no_difference(-> { Forwarding.count }) { post "/p/#{closed.to_param}/joining", params: { into: @into.public_id, place: "after" } }
    assert_select "form input[name=confirmed]"
    post "/p/#{closed.to_param}/joining", params: { into: @into.public_id, place: "after", confirmed: "1" }
    assert_includes texts(@into.reload.edition), "Wages."
  end

  test "pages below are opened to nobody unsaid, and none that one may not move" do
    own = new_page("Own", above: @from, by: @ana, markdown: "Kept apart.")
    own.change_access { own.make_own_list(by: @ana) }
    AccessGrant.where(page: own).find_each { |grant| own.grant(grant.to_grant.holder, :none) unless grant.person_id == @ana.id }
    @from.grant(holder(@cy), :keep)
    @deck.grant(holder(@cy), :write)
    sign_in @cy
    assert_not Page.seen_by(Viewer.new(@cy)).exists?(own.id)
    post "/p/#{@from.to_param}/joining", params: { into: @into.public_id, place: "after", confirmed: "1" }
    assert_redirected_to "/p/#{@into.to_param}"
    assert_equal [ @into, false, @deck ], [ @below.reload.parent, own.reload.binned?, own.above ]
    assert_not Page.seen_by(Viewer.new(@ben)).exists?(own.id)
  end

  test "what the pages below would open is told before" do
    @from.make_own_list(by: @ana)
    @from.access_grants.reload.each { |grant| @from.grant(grant.to_grant.holder, :none) unless grant.person_id == @ana.id }
    assert_not Page.seen_by(Viewer.new(@cy)).exists?(@below.id)
    post "/p/#{@from.to_param}/joining", params: { into: @into.public_id, place: "after" }
    assert_select ".exposure", /2 pages/
    assert_not_predicate @from.reload, :binned?
  end

  test "it is refused where it cannot be, and nothing is half done" do
    { @below => :circle, @theirs => :gone }.each do |into, _problem|
      assert_no_difference(-> { [ Forwarding.count, Edition.count ].sum }) { post "/p/#{@from.to_param}/joining", params: { into: into.public_id } }
      assert_includes [ 404, 422 ], response.status
    end
    save_text(@from, "More.", by: @ana)
    post "/p/#{@from.to_param}/joining", params: { into: @into.public_id, place: "after" }
    assert_select "[role=alert]", /Publish them/
    @from.publish(version: @from.reload.draft.version, by: @ana)
    post "/p/#{@from.to_param}/joining", params: { into: @into.public_id, place: "nowhere1" }
    assert_select "[role=alert]", /not there/
    @deck.grant(holder(@ben), :write)
    sign_in @ben
    post "/p/#{@from.to_param}/joining", params: { into: @into.public_id, place: "after" }
    assert_response :forbidden
    refute_predicate @from.reload, :binned?
  end

  test "what it said before is open to those it was open to, from the page that it came into" do
    closed = new_page("Closed", above: @crew, by: @ben, markdown: "Wages.")
    @deck.grant(holder(@ben), :write)
    sign_in @ben
    post "/p/#{closed.to_param}/joining", params: { into: @into.public_id, place: "after", confirmed: "1" }
    get "/p/#{@into.to_param}/editions"
    assert_select ".joined-here a[href='/p/#{closed.to_param}/editions']"
    get "/p/#{closed.to_param}/editions"
    assert_select ".editions li", 1
    get "/p/#{closed.to_param}/editions/1"
    assert_select ".text", /Wages/
    assert_select "form[action$=restoration]", 0
    [ @cy, @ana ].each do |who|
      sign_in who
      get "/p/#{@into.to_param}/editions"
      assert_select ".joined-here", 0
      get "/p/#{closed.to_param}/editions/1"
      assert_response :not_found
    end
  end

  test "a page that was joined and comes back from the bin is met itself again, and is not erased in time" do
    join
    assert_equal 0, Page.empty_bins(now: 2.years.from_now)
    @from.reload.put_back_from_bin(by: @ana)
    get "/p/#{@from.to_param}"
    assert_response :ok
    assert_includes shown(@theirs, @ben), "/p/#{@from.to_param}"
    assert_equal [ "Theirs" ], LinkedFrom.new(@from, Viewer.new(@ben)).by_room(limit: 9).map { |link| link.page.title }
  end

  test "files go along, joined and split" do
    picture = ->(page) { PageFile.take(Upload.new("a.svg", "<svg xmlns='http://www.w3.org/2000/svg'/>"), page: page, by: @ana) }
    file = picture.call(@from)
    save_text(@from, "# Steps\n\n::: figure {file=\"#{file.public_id}\" alt=\"Rung\"}\n:::\n\n# More\n\nx", by: @ana)
    @from.publish(version: @from.reload.draft.version, by: @ana)
    assert_equal [ file.public_id ], files(@from.edition)
    post "/p/#{@from.to_param}/split", params: { heading: @from.edition.document["content"].first["attrs"]["id"] }
    fresh = Page.find_by!(title: "Steps")
    assert_equal [ fresh ], PageFile.where(public_id: files(fresh.edition)).map(&:page)
    post "/p/#{fresh.to_param}/joining", params: { into: @into.public_id, place: "after" }
    assert_equal [ @into ], PageFile.where(public_id: files(@into.reload.edition)).map(&:page)
  end

  test "promises and pins go along" do
    wants = new_page("Wants", above: @crew, by: @ben, markdown: "[x](promise:ladders)")
    Promise.keep(@from)
    Pin.create!(person: @ben, page: @from)
    join
    assert_includes shown(wants, @ben), "/p/#{@into.to_param}"
    assert_equal [ @into.id ], Pin.where(person: @ben).pluck(:page_id)
  end

  test "a part becomes a page, what led to it leads there, and a link or the page itself stands in its place" do
    get "/p/#{@from.to_param}/split/new"
    assert_select "small", "1 page leads here"
    post "/p/#{@from.to_param}/split", params: { heading: @steps, instead: "link" }
    fresh = Page.find_by!(title: "Steps")
    assert_redirected_to "/p/#{fresh.to_param}"
    assert_equal [ "Start.|Steps", "Grit." ], [ @from, fresh ].map { |page| texts(page.reload.edition) }
    assert_equal @from, fresh.parent
    assert_includes shown(@theirs, @ben), "/p/#{fresh.to_param}\""
    assert_equal [ "Ladder", "Mine", "Theirs" ], LinkedFrom.new(fresh, Viewer.new(@ben)).by_room(limit: 9).map { |link| link.page.title }.sort
    assert_empty BrokenLinks.new(Viewer.new(@ben)).targets(limit: 9)
    get "/p/#{@from.to_param}"
    assert_select "[data-moved*='/p/#{fresh.to_param}']"
    @from.put_back(@from.editions.order(:number).first, by: @ana)
    assert_includes shown(@theirs, @ben), "/p/#{@from.to_param}#b-#{@steps}"
    assert_empty Reference.astray
  end

  test "in its place the new page can be shown live" do
    post "/p/#{@from.to_param}/split", params: { heading: @steps, instead: "insert" }
    assert_includes shown(@from.reload, @ana), "Grit."
  end

  test "nothing is split that waits, and no heading that is not there" do
    post "/p/#{@from.to_param}/split", params: { heading: "nowhere1" }
    assert_response :unprocessable_entity
    save_text(@from, "More.", by: @ana)
    assert_no_difference(-> { Page.count }) { post "/p/#{@from.to_param}/split", params: { heading: @steps } }
    assert_select "[role=alert]", /Publish them/
  end

  private

  def join
    post "/p/#{@from.to_param}/joining", params: { into: @into.public_id, place: "after", once: "1" }
    assert_redirected_to "/p/#{@into.to_param}"
  end

  def files(edition)
    Zuhause::Document::Walk.blocks(edition.document).filter_map { |block| block.dig("attrs", "file") }
  end

  def texts(edition)
    edition.document["content"].map { |block| Zuhause::Document::Text.of(block) }.join("|")
  end

  def shown(page, who)
    ShownDocument.new(page.reload.edition, page: page, viewer: Viewer.new(who)).to_html
  end
end
