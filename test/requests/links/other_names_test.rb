require "test_helper"

# Other names of a page: it is found and linked by them.
class OtherNamesTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @room = new_room("On Board", keeper: @ana, open: true)
    @page = new_page("Gangway in ice", above: @room, by: @ana, markdown: "Grit first.\n\n## When\n\nBelow zero.")
    @other = new_page("Bunkering", above: @room, by: @ana)
    sign_in @ana
  end

  def call_it(*names, page: @page)
    rename page.reload.title, *names, page: page
  end

  def rename(title, *names, page: @page)
    patch "/p/#{page.to_param}/title", params: { page: { title: title }, names: names.join("\n") }
  end

  test "are kept one a line, shown under the title, and changed as a whole" do
    call_it " Brow  in frost ", "", "brow in FROST", "Ice walk"
    assert_redirected_to page_path(@page)
    follow_redirect!
    assert_select ".also", text: "Also called: Brow in frost and Ice walk"
    call_it "Ice walk"
    assert_equal [ "Ice walk" ], @page.other_names.reload.map(&:name)
    get "/p/#{@page.to_param}/title/edit"
    assert_select "textarea#other_names", text: "Ice walk"
    assert_equal [ "names_set", "names_set" ], Happening.where(page: @page).where(act: "names_set").pluck(:act)
  end

  test "what will not do is told beside the field, with nothing changed and nothing lost" do
    call_it "Brow"
    { [ "x" * 201 ] => /201|200/, (1..21).map { |i| "Name #{i}" } => /20/, [ "gangway IN ice" ] => /title already/ }.each do |names, words|
      call_it(*names)
      assert_response :unprocessable_entity
      assert_select "#names_error", text: words
      assert_select "textarea#other_names", text: Regexp.new(Regexp.escape(names.last))
      assert_equal [ "Brow" ], @page.other_names.reload.map(&:name)
    end
  end

  test "and a new title are given at once, or neither is" do
    rename "Brow", "Gangway in ice", "Ice walk"
    follow_redirect!
    assert_select ".also", text: "Also called: Gangway in ice and Ice walk"
    assert_equal "Brow", @page.reload.title
    [ [ "Plank", "plank" ], [ "", "Board" ] ].each do |title, name|
      rename title, name
      assert_response :unprocessable_entity
      assert_select "input[name='page[title]'][value=?]", title
      assert_select "textarea#other_names", text: name
      assert_equal [ "Brow", [ "Gangway in ice", "Ice walk" ] ], [ @page.reload.title, @page.other_names.reload.map(&:name) ]
    end
    patch "/p/#{@page.to_param}/title", params: { page: { title: "Plank" } }
    assert_equal [ "Plank", 2 ], [ @page.reload.title, @page.other_names.count ], "who gives no names leaves them"
  end

  test "lead to the page in the list under the field, in finding and in the choice of what to link to" do
    call_it "Brow in frost"
    sign_in @ben
    get "/suggestions", params: { q: "frost br" }
    assert_select "li b", text: "Gangway in ice"
    assert_select "li small", text: "also “Brow in frost” · On Board"
    get "/suggestions", params: { q: "gangway" }
    assert_select "li small", text: "On Board"
    get "/find", params: { q: "brow" }
    assert_select ".found a", text: /Gangway in ice/
    get "/page_choices", params: { q: "frost" }
    assert_equal [ [ "Gangway in ice", "Brow in frost" ] ], response.parsed_body.map { |page| page.values_at("title", "called") }
    sign_in @ana
    call_it
    sign_in @ben
    %w[/suggestions /find].each do |path|
      get path, params: { q: "brow" }
      assert_no_match(/Gangway in ice/, response.body, path)
    end
    assert_empty CountedPage.catch_up.then { Section.where(page: @page).pluck(:title).grep(/Brow/) }
  end

  test "keep what was promised under them, and links by a name that goes lead on" do
    save_text(@other.reload, "See the [brow](<promise:Brow in frost>).", by: @ana)
    @other.publish(version: @other.draft.version, by: @ana)
    call_it "Brows in frost"
    get "/p/#{@other.to_param}"
    assert_select ".text a[href='#{page_path(@page)}']", text: "brow"
    call_it
    get "/p/#{@other.to_param}"
    assert_select ".text a[href='#{page_path(@page)}']"
  end

  test "of closed pages nobody is told, and readers change none" do
    call_it "Brow in frost"
    @page.reload.make_own_list(by: @ana)
    @page.reload.grant(holder(:everyone), :none)
    sign_in @ben
    [ "/suggestions?q=brow", "/find?q=brow", "/page_choices?q=brow" ].each do |path|
      get path
      assert_no_match(/Gangway|in frost/, response.body, path)
    end
    call_it "Mine"
    assert_response :not_found
    call_it "Mine", page: @other
    assert_response :forbidden
    assert_empty @other.other_names
  end

  test "a new edition, a copy and a rebuilt index keep to them" do
    call_it "Brow in frost"
    save_text(@page.reload, "Salt first.", by: @ana)
    @page.publish(version: @page.draft.version, by: @ana)
    before = Section.where(page: @page).pluck(:title)
    assert_equal [ "Gangway in ice\nBrow in frost" ], before.uniq
    Section.follow_edition(@page, @page.edition)
    assert_equal before, Section.where(page: @page).pluck(:title)
    assert_equal 0, CountedPage.catch_up
  end
end
