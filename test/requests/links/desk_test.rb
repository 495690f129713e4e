require "test_helper"

# The maintenance desk as several people see it, and what is done there.
class DeskTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  setup do
    @ana, @ben, @cy = person("Ana Koll"), person("Ben Rasch"), person("Cy Dorn", role: "guest")
    @deck, @crew = new_room("Deck", keeper: @ana, open: true), new_room("Crew", keeper: @ben)
    @page = new_page("Gangway", above: @deck, by: @ana, markdown: "See the [box list](<promise:Box list>). Also [salt](<promise:Salt>).")
    @other = new_page("Ice", above: @deck, by: @ana, markdown: "The [list](<promise:box lists>).")
    @closed = new_page("Wages", above: @crew, by: @ben, markdown: "[a](<promise:Secret plan>) and [b](<promise:Box list>)")
  end

  test "promised pages are counted and listed as each one sees them" do
    { @ana => [ [ "Box list", 2 ], [ "Salt", 1 ] ], @ben => [ [ "Box list", 3 ], [ "Salt", 1 ], [ "Secret plan", 1 ] ], @cy => [] }.each do |who, wanted|
      assert_equal wanted.map { |title, pages| [ Zuhause::Links::Promised.key(title), pages ] }, PromisedPages.new(Viewer.new(who)).titles(limit: 9).map { |each| [ each.key, each.pages ] }.sort_by { |key, pages| [ -pages, key ] }
      assert_equal wanted.size, PromisedPages.new(Viewer.new(who)).count
      sign_in who
      get "/desk/promised"
      assert_select ".rows .row-main", count: wanted.size
      get "/desk/promised/Secret%20plan"
      assert_response who == @ben ? :ok : :not_found
      sign_out :person
    end
  end

  test "writing a promised page from the desk keeps all its links; those who may not see it go on wanting it" do
    sign_in @ben
    get "/desk/promised/box-lists"
    assert_select "h1", /Box list/i
    assert_select ".place", minimum: 3
    get css_select("a.button-main").first["href"]
    assert_select "#page_title[value]", 1
    post "/p?above=#{@crew.public_id}", params: { page: { title: "Box list" } }
    assert_equal [ "Secret plan" ], titles(@ben) - [ "Salt" ]
    assert_includes titles(@ana), "Box list"
  end

  test "of several pages that a title could mean one is chosen, by whoever may write it" do
    pages = [ @deck, @crew ].map { |room| new_page("Salt", above: room, by: room == @deck ? @ana : @ben) }
    @deck.grant(holder(@ben), :read)
    sign_in @ben
    get "/desk/promised"
    assert_select ".meant li", 2
    mine, hers = pages.reverse.map { |page| Promise.find_by!(page: page) }
    patch "/desk/promised/#{hers.id}"
    assert_response :forbidden
    patch "/desk/promised/#{mine.id}"
    assert_predicate mine.reload, :chosen?
    sign_in @ana
    patch "/desk/promised/#{mine.id}"
    assert_response :not_found
  end

  test "links that lead nowhere are told to those who may know, with what could be meant, and mended alike" do
    hold = new_page("Three-point hold", above: @deck, by: @ana, markdown: "## One hand\n\nx\n\n## Close it\n\ny")
    hand = hold.edition.document["content"].first["attrs"]["id"]
    secret = new_page("Secret", above: @crew, by: @ben)
    grip = new_page("Three-point grip", above: @deck, by: @ana)
    new_page("Points", above: @deck, by: @ana, markdown: "The [three-point hold](page:#{hold.public_id}), [one hand](page:#{hold.public_id}##{hand}) and [it](page:#{secret.public_id}).")
    save_text(hold, "## Close it\n\ny", by: @ana)
    hold.publish(version: hold.reload.draft.version, by: @ana)
    assert_equal [ [ :part ] ] * 2, [ @ana, @ben ].map { |who| reasons(who) }
    [ hold, secret ].zip([ @ana, @ben ]) { |page, by| page.put_in_bin(by: by) }
    assert_equal [ [ :binned ], [] ], [ @ana, @cy ].map { |who| reasons(who) }
    [ hold, secret ].zip([ @ana, @ben ]) { |page, by| page.reload.erase(by: by) }
    assert_equal [ %i[erased], %i[erased erased], [] ], [ @ana, @ben, @cy ].map { |who| reasons(who) }
    sign_in @ana
    get "/desk/broken"
    assert_select ".broken > li", 1
    assert_select "button", text: "Lead to “Three-point grip”"
    post "/mendings", params: { from: "page:#{hold.public_id}", to: "page:#{grip.public_id}", back: "broken" }
    assert_redirected_to "/desk/broken"
    assert_empty reasons(@ana)
    follow_redirect!
    assert_select "form[action='/mendings/#{Work.last.public_id}']"
    delete "/mendings/#{Work.last.public_id}", params: { back: "broken" }
    assert_equal %i[erased], reasons(@ana)
    post "/mendings", params: { from: "page:#{hold.public_id}", text: "1", back: "broken" }
    assert_empty reasons(@ana)
    assert_equal [ secret.public_id ], Zuhause::Links.in(Page.find_by!(title: "Points").edition.document).map { |point| point.target.value }
  end

  test "what is wanted is found by title or address, asked for where it is not clear, and never guessed" do
    sign_in @ana
    salts = [ @deck, @deck ].map { |room| new_page("Grit", above: room, by: @ana) }
    { "" => "Say where", "Nothing so called" => "There is no page", "Grit" => "Several pages", "Wages" => "There is no page", "page:#{@closed.public_id}" => "There is no page" }.each do |typed, told|
      post "/mendings", params: { from: "promise:Salt", to: typed }
      assert_response :unprocessable_entity
      assert_select "[role=alert]", /#{told}/
    end
    post "/mendings", params: { from: "promise:Salt", to: "http://www.example.com/p/#{salts.last.to_param}" }
    assert_response :see_other
    assert_includes @page.reload.links.from_editions.pluck(:target), "page:#{salts.last.public_id}"
    get "/mendings/new?from=nonsense"
    assert_response :not_found
  end

  test "one page can be mended by itself" do
    lost = new_page("Lost", above: @deck, by: @ana)
    pages = %w[One Two].map { |title| new_page(title, above: @deck, by: @ana, markdown: "[x](page:#{lost.public_id})") }
    lost.put_in_bin(by: @ana)
    lost.reload.erase(by: @ana)
    sign_in @ana
    get "/desk/broken"
    assert_select ".only-here", 2
    get "/mendings/new?from=page:#{lost.public_id}&only=#{pages.first.public_id}"
    assert_select ".lead", /Only on “One”/
    post "/mendings", params: { from: "page:#{lost.public_id}", only: pages.first.public_id, to: "Ice" }
    assert_equal [ @other.public_id, lost.public_id ], pages.map { |page| Zuhause::Links.in(page.reload.edition.document).sole.target.value }
    sign_in @ben
    get "/desk/broken"
    assert_select ".only-here", 0
    post "/mendings", params: { from: "page:#{lost.public_id}", only: pages.last.public_id, to: "Ice" }
    assert_response :not_found
  end

  test "only who did it undoes it" do
    sign_in @ana
    post "/mendings", params: { from: "promise:Salt", to: "Ice" }
    work = Work.last
    sign_in @ben
    delete "/mendings/#{work.public_id}"
    assert_response :not_found
    assert_equal "page:#{@other.public_id}", @page.reload.links.from_editions.order(:id).last.target
  end

  private

  def titles(who)
    PromisedPages.new(Viewer.new(who)).titles(limit: 9).map(&:wording)
  end

  def reasons(who)
    BrokenLinks.new(Viewer.new(who)).targets(limit: 9).map(&:reason)
  end
end
