require "test_helper"

class ReadingTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  setup do
    @ana, @ben, @gus = person("Ana Berg"), person("Ben Holt"), person("Gus Moor", role: "guest")
    @room = new_room("On Board", keeper: @ana, open: true)
    @other = new_page("Three-point hold", above: @room, by: @ana)
    @hidden = new_page("Night list", above: new_room("Ideas", keeper: @ana), by: @ana)
    old = new_page("Old one", above: @room, by: @ana)
    @page = new_page("Gangway in ice", above: @room, by: @ana, markdown: <<~MARKDOWN)
      Use the [hold](page:#{@other.public_id}#abcd1234), the [list](page:#{@hidden.public_id}), the [old one](page:#{old.public_id}), the [box list](<promise:Box list>),
      the [forecast](https://www.forecast.example/harbour?a=1&b=2), [mail](mailto:desk@ternholm.example) or <b onclick="x">raw</b>.

      # Before the first call

      > [!CAUTION]
      > Salt eats bolts.
    MARKDOWN
    old.put_in_bin(by: @ana) && old.erase(by: @ana)
  end

  test "links show by kind, complete without script" do
    sign_in @ben
    get "/p/#{@page.to_param}"
    assert_select ".text a[href='/p/#{@other.to_param}#b-abcd1234']", "hold"
    assert_select ".text a.link-promise[href=?]", "/p/#{@page.to_param}/promise/new?title=Box+list", /box list/
    assert_select ".text a.link-away[rel='noopener noreferrer'][title='forecast.example'][href=?]", "https://www.forecast.example/harbour?a=1&b=2", "forecast"
    assert_select ".text a[href='mailto:desk@ternholm.example']", "mail"
    assert_select ".text .link-gone", /old one.*page is gone/
    assert_select ".text a", { text: /^list$/, count: 0 }, "a page one may not see is plain text"
    assert_select ".text code", "<b onclick=\"x\">"
    assert_select ".text b, .text script", count: 0
    assert_select ".text .notice-caution .notice-name", "Caution"
    assert_select ".on-page a[href^='#b-']", "Before the first call"
    assert_select ".facts .fact b", "Everyone here"
    assert_select ".facts .fact b", "Edition 1"
  end

  test "links to other sites open in a new tab where the house, or the reader, has it so" do
    opened = lambda do |who|
      sign_in who
      get "/p/#{@page.to_param}"
      css_select(".text a.link-away[target=_blank]").map { |link| link.text.squish }
    end
    assert_empty opened.(@ben)
    House.current.update!(sites_apart: true)
    assert_equal [ "forecast (opens in a new tab)" ], opened.(@ben)
    @ana.update!(sites_apart: false)
    assert_empty opened.(@ana)
    patch "/profile", params: { person: { sites_apart: "" } }
    assert_equal 1, opened.(@ana.reload).size
  end

  test "what is the same for all is kept, and still each sees their own" do
    [ [ @ana, 1 ], [ @ben, 0 ], [ @ana, 1 ] ].each do |who, links|
      sign_in who
      get "/p/#{@page.to_param}"
      assert_select ".text a[href='/p/#{@hidden.to_param}']", links
    end
  end

  test "an address with other words leads to the right one" do
    sign_in @ben
    get "/p/some-older-title-#{@page.public_id}"
    assert_redirected_to "/p/#{@page.to_param}"
  end

  test "linked from names pages one may read, once each, and promises that were kept" do
    pointer = new_page("Pointer", above: @hidden.room, by: @ana, markdown: "[a](page:#{@page.public_id}) and [b](page:#{@page.public_id})")
    box = new_page("Box list", above: @room, by: @ana)
    sign_in @ana
    get "/p/#{@page.to_param}"
    assert_select ".from li", 1
    assert_select ".from a[href^='/p/#{pointer.to_param}#b-']", "Pointer"
    get "/p/#{box.to_param}"
    assert_select ".from a", "Gangway in ice"
    sign_out :person
    sign_in @ben
    get "/p/#{@page.to_param}"
    assert_select ".from li", 0
    get "/p/#{@page.to_param}/promise/new?title=Box+list"
    assert_redirected_to "/p/#{box.to_param}"
  end

  test "places that are no sites are links where administrators allow them, and text elsewhere" do
    page = new_page("Folders", above: @room, by: @ana, markdown: "[plans](smb://files.inside/Deck) and [ship](ssh://ida@ship.inside)")
    sign_in @ana
    get "/p/#{page.to_param}"
    assert_select ".text a", 0
    House.current.update!(schemes: "smb")
    get "/p/#{page.to_param}"
    assert_select ".text a[href='smb://files.inside/Deck']", "plans"
    assert_select ".text a", 1
    assert_not House.current.update(schemes: "smb javascript")
  end

  test "a promise that the page does not make leads nowhere" do
    sign_in @ana
    get "/p/#{@page.to_param}/promise/new?title=Something+else"
    assert_response :not_found
  end

  test "following a promise twice makes one page" do
    sign_in @ana
    assert_difference(-> { Page.count }, 1) do
      2.times { post "/p/#{@page.to_param}/promise", params: { title: "Box list", page: { title: "Box list" } } }
    end
    assert_redirected_to "/p/#{Page.find_by!(title: "Box list").to_param}"
    assert_equal @page, Page.find_by!(title: "Box list").parent
  end

  test "a public page is read without signing in, and nothing around it" do
    House.current.update!(public_addresses: true)
    @page.grant(holder(:anyone), :write)
    get "/p/#{@page.to_param}"
    assert_response :ok
    assert_select ".plan .room", 1
    assert_select ".plan .leaf", 1
    assert_select ".text a[href^='/p/']", { text: "hold", count: 0 }
    assert_no_match(/Ana Berg|Three-point/, response.body)
    get "/p/#{@page.to_param}/access"
    assert_response :not_found
    get "/rooms/#{@room.public_id}"
    assert_select ".lead", 0
    get "/find?q=salt"
    assert_select ".found > li", 1
  end

  test "a guest sees names of neither people nor groups that are none of theirs" do
    @page.grant(holder(group("Deck", @ben)), :write)
    @page.grant(holder(@gus), :read)
    sign_in @gus
    get "/p/#{@page.to_param}/access"
    assert_response :ok
    assert_no_match(/Ben Holt|Deck/, response.body)
    get "/rooms/#{@room.public_id}/access"
    assert_response :not_found
  end

  test "why names no page above that the asker does not see" do
    above = new_page("Secret plans", above: @room, by: @ana, publish: false)
    below = new_page("Open part", above: above, by: @ana)
    above.grant(holder(@ben), :comment)
    sign_in @ben
    get "/p/#{below.to_param}/access"
    assert_select ".who li", /Ben Holt\s*named, a page above this one/
    assert_no_match(/Secret plans/, response.body)
    get "/p/#{below.to_param}"
    assert_no_match(/Secret plans/, response.body)
    assert_select ".plan .tree > li > .leaf", /Open part/
  end

  test "suspending ends sessions at once" do
    sign_in @ben
    get "/p/#{@page.to_param}"
    assert_response :ok
    @ben.update!(suspended_at: Time.current)
    get "/p/#{@page.to_param}"
    assert_response :found
    follow_redirect!
    assert_select "h1", "Sign in"
  end

  test "every answer carries the strict policy" do
    get "/sign-in"
    policy = response.headers["content-security-policy"]
    assert_includes policy, "default-src 'none'; script-src 'self'; style-src 'self'"
    assert_no_match(/unsafe|\*|data:|http/, policy)
    assert_select "[style], style, script:not([src]):not([type='application/json'])", 0
  end

  test "the history tells editions, small ones too, and home only those announced" do
    save_text(@page, "More.", by: @ana)
    @page.publish(version: 3, by: @ana, note: "A comma", small: true)
    sign_in @ben
    get "/p/#{@page.to_param}/editions"
    assert_select ".editions li", 2
    assert_select ".editions .tag", "small change"
    get "/"
    assert_no_match(/A comma/, response.body)
    get "/p/#{@page.to_param}/editions/1"
    assert_select ".text", /Use the hold/
    [ "0", "3", "x" ].each do |number|
      get "/p/#{@page.to_param}/editions/#{number}"
      assert_response :not_found
    end
  end
end
