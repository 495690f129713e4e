require "test_helper"

# What two wrote in one place and cannot be marked in the text: kept, told, settled.
class DisputesTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  BASE = "Salt.\n\n```ruby\nvalue = one\n```\n\n## Grit\n\nEnd.".freeze

  setup do
    @ana, @ben = person("Ana Koll"), person("Ben Rasch")
    @room = new_room("Deck", keeper: @ana)
    @room.grant(holder(@ben), :write)
    @page = new_page("Gangway", above: @room, by: @ana, markdown: BASE)
    @base = @page.draft
  end

  test "the title that gave way stands beside the one that holds until somebody settles it" do
    save(@ana, title: "Gangway in ice")
    save(@ben, title: "Icy gangway")
    assert_equal [ "Icy gangway", [ [ "title", "Gangway in ice", @ana ] ] ], [ @page.reload.draft.title, told ]
    sign_in @ben
    get "/p/#{@page.to_param}/disputes"
    assert_select "li p", "Ana Koll had named the page “Gangway in ice”."
    patch "/p/#{@page.to_param}/disputes/#{@page.disputes.sole.id}"
    assert_redirected_to "/p/#{@page.to_param}/disputes"
    assert_equal [ "Gangway in ice", [] ], [ @page.reload.draft.title, told ]
  end

  test "an attribute and a type that gave way can be taken, or left" do
    save(@ana) { |text| text.sub("## Grit", "### Grit").sub("```ruby", "```c") }
    save(@ben) { |text| text.sub("## Grit", "#### Grit").sub("```ruby", "```sql") }
    assert_equal [ [ "language", "c" ], [ "level", 3 ] ], told.map { |name, value, _by| [ name, value ] }.sort_by(&:first)
    sign_in @ana
    level, language = @page.disputes.find_by(name: "level"), @page.disputes.find_by(name: "language")
    patch "/p/#{@page.to_param}/disputes/#{level.id}", as: :json
    assert_equal 3, response.parsed_body["document"]["content"].find { |node| node["type"] == "heading" }["attrs"]["level"]
    assert_equal [ language.id ], response.parsed_body["disputes"].map { |each| each["id"] }
    delete "/p/#{@page.to_param}/disputes/#{language.id}", as: :json
    assert_equal "sql", @page.reload.draft.document["content"].find { |node| node["type"] == "code_block" }["attrs"]["language"]
    assert_empty told
  end

  test "what one writes anew oneself settles it" do
    save(@ana, title: "Gangway in ice")
    save(@ben, title: "Icy gangway")
    save(@ben, title: "Gangway in ice", base: @page.reload.draft)
    assert_empty told
  end

  test "different words in code both stand, are told, and nothing is published before" do
    save(@ana) { |text| text.sub("one", "two") }
    save(@ben) { |text| text.sub("one", "three") }
    assert_includes Zuhause::Document::Text.of(@page.reload.draft.document), "three"
    assert_raises(Page::Publishing::Unsettled) { @page.publish(version: @page.draft.version, by: @ana) }
    sign_in @ana
    get "/p/#{@page.to_param}/disputes"
    assert_select "li p", /In this code two wrote in one place: (Ana Koll “two” and Ben Rasch “three”|Ben Rasch “three” and Ana Koll “two”). Both stand./
    assert_select "li form", count: 1
    delete "/p/#{@page.to_param}/disputes/#{@page.disputes.sole.id}"
    assert @page.reload.publish(version: @page.draft.version, by: @ana)
  end

  test "code that one changed and another removed stays, and can be left out" do
    save(@ana) { |text| text.sub("one", "two") }
    save(@ben) { |text| text.sub(/```.*```\n\n/m, "") }
    assert_equal [ [ "kept", nil, @ana ] ], told
    assert_equal 1, @page.reload.unsettled
    @page.disputes.sole.take(by: @ben)
    assert_equal [ 0, [] ], [ @page.reload.unsettled, told ]
    assert_not_includes @page.draft.document["content"].map { |node| node["type"] }, "code_block"
  end

  test "publishing settles the values that gave way" do
    save(@ana, title: "Gangway in ice")
    save(@ben, title: "Icy gangway")
    @page.reload.publish(version: @page.draft.version, by: @ana)
    assert_empty told
  end

  test "what came together is shown beside what it was before" do
    save(@ana) { |text| text.sub("Salt", "Much salt") }
    save(@ben) { |text| text.sub("End", "The end") }
    sign_in @ben
    get "/p/#{@page.to_param}/comparison?from=v#{@base.version}&to=v#{@page.reload.draft.version}"
    assert_response :ok
    assert_select "ins", /Much/
    get "/p/#{@page.to_param}/comparison?from=v0&to=draft"
    assert_response :not_found
    @page.publish(version: @page.draft.version, by: @ana)
    @room.grant(holder(@ben), :read)
    get "/p/#{@page.to_param}/comparison?from=v#{@base.version}&to=1"
    assert_response :not_found
  end

  private

  def save(by, title: "Gangway", base: @base)
    text = Zuhause::Markup::MarkdownWriter.write(base.document, ids: true)
    text = yield(text) if block_given?
    saved = @page.reload.save_draft(State.new(title: title, document: Zuhause::Markup::MarkdownReader.read(text).doc), base_version: base.version, by: by)
    assert saved.persisted?
  end

  def told
    @page.disputes.reload.map { |dispute| [ dispute.name, dispute.value, dispute.person ] }
  end
end
